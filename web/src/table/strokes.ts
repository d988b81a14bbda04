/** Kinds that are done by stroking: where the pointer went since it went down, and what is written once it comes up. */
import type { Line, ReadRequest } from "../api/types";
import type { Session } from "../session/session";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import type { Pointer } from "./entry";
import { refuse, writeAll } from "./writing";

export type Path = ReadRequest["stroke"] & object;

export class Strokes {
  /** Places of the drawing, one after the other; none while nothing is stroked. */
  private path: Path = [];

  get now(): Path {
    return [...this.path];
  }

  /** The pointer goes down. False where what is open is not done by stroking, or something is given to it already. */
  begin(pointer: Pointer): boolean {
    const { draft, text, mend } = useInterface.getState();
    if (!pointer || !draft || mend || draft.rows.length > 0 || text !== "" || !kindOf(draft.kind)?.brush) return false;
    this.path = [[pointer.x, pointer.y]];
    return true;
  }

  go(pointer: Pointer): void {
    if (pointer && this.path.length > 0) this.path.push([pointer.x, pointer.y]);
  }

  /** The pointer comes up, or what it did is dropped. */
  end(): Path {
    const { path } = this;
    this.path = [];
    return path;
  }
}

/** Writes what a stroke has come to: what was shown, as one change. */
export async function writeStroke(session: Session, line: Line | null, in_front_of: string | null): Promise<void> {
  const brush = line?.brush;
  if (!brush) return;
  if (brush.entries.length > 0) await writeAll(session, brush.entries, in_front_of);
  else if (brush.why !== "") refuse(brush.why);
}
