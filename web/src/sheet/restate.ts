/** Another value for one given of a sheet or of what lies on it; where there is no step for that yet, one is written. */
import { refuse } from "../state/actions";
import type { Session } from "../session/session";
import { newId } from "../table/entry";

export async function restate(
  session: Session,
  id: string | null,
  word: string,
  said: string,
  kind: "sheet" | "view",
  first = "",
): Promise<void> {
  const answer = await session.act({
    do: "restate",
    id: id ?? newId(),
    word,
    said,
    otherwise: id === null ? kind : "",
    first,
  });
  if (!answer.ok) refuse(answer.message);
}
