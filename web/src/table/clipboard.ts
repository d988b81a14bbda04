/** Copying what is selected as text of the entry language, and putting down what is pasted by pointing. */
import { hold, refuse, say } from "../state/actions";
import type { Line } from "../api/types";
import { copiedText, drawnBy, Refusal } from "../api/client";
import { useInterface } from "../state/interface";
import { selectedIds } from "../state/selection";
import type { Session } from "../session/session";
import { newId, type Pointer } from "./entry";

/** Carried by the place of it that is under the pointer, if there is one. */
export async function copySelected(drawing: string, pointer: Pointer): Promise<void> {
  const figures = [...selectedIds()];
  try {
    const { text, carried_by } = await copiedText(drawing, figures, pointer);
    await navigator.clipboard.writeText(text);
    const what = figures.length === 1 ? "1 figure is" : `${figures.length} figures are`;
    say(`${what} on the clipboard, carried by ${carried_by}.`);
  } catch (error) {
    refuse(error instanceof Refusal ? error.message : "The clipboard cannot be written to in this browser.");
  }
}

/** What draws something is put down by pointing; anything else is left to the row. */
export async function takePasted(drawing: string, text: string): Promise<void> {
  try {
    const figures = await drawnBy(drawing, text);
    hold({ text, figures });
  } catch (error) {
    refuse(error instanceof Refusal ? `What was pasted cannot be put down: ${error.message}` : String(error));
  }
}

/** Puts down what was pasted where the tag says; it stays in hand for another one until it is left. */
export async function putDown(
  session: Pick<Session, "act">,
  line: Line | null,
  in_front_of: string | null,
): Promise<void> {
  const { placing } = useInterface.getState();
  const [x, y] = line?.tag?.at ?? [];
  if (!placing || x === undefined || y === undefined) return;
  const answer = await session.act({ do: "paste", id: newId(), text: placing.text, x, y, in_front_of });
  if (!answer.ok) refuse(answer.message);
}
