/** What is done beside the open line: an act, or a step that is written. What is refused says why beside the row. */
import type { Act } from "../api/types";
import { refuse } from "../state/actions";
import { usePreferences } from "../state/preferences";
import type { Session } from "../session/session";
import { newId } from "./entry";

type Acts = Pick<Session, "act">;

/** Does an act; what is refused says why beside the open line. */
export async function doOrSay(session: Acts, act: Act): Promise<void> {
  const answer = await session.act(act);
  if (!answer.ok) refuse(answer.message);
}

/** Answers whether the step was written. */
export async function writeStep(session: Acts, text: string, in_front_of: string | null): Promise<boolean> {
  const { pen } = usePreferences.getState();
  const answer = await session.act({ do: "write", text, id: newId(), in_front_of, pen, beside: "" });
  if (!answer.ok) refuse(answer.message);
  return answer.ok;
}
