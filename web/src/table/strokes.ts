/** What a pointer does between going down and coming up that the server reads as it goes: stroking over stretches, carrying. */
import type { Line, ReadRequest } from "../api/types";
import type { Session } from "../session/session";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import { selectedIds } from "../state/selection";
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

/** What is selected, dragged from where the pointer went down. */
export class Carries {
  copied = false;
  private from: { readonly figures: string[]; readonly x: number; readonly y: number } | null = null;

  get now(): ReadRequest["carry"] {
    return this.from && { ...this.from, copied: this.copied };
  }

  begin(pointer: Pointer): void {
    this.from = pointer ? { figures: [...selectedIds()], x: pointer.x, y: pointer.y } : null;
  }

  end(): void {
    this.from = null;
  }
}

/** Writes what a stroke has come to: what was shown, as one change. */
export async function writeStroke(session: Session, line: Line | null, in_front_of: string | null): Promise<void> {
  const brush = line?.brush;
  if (!brush) return;
  if (brush.entries.length > 0) await writeAll(session, brush.entries, in_front_of);
  else if (brush.why !== "") refuse(brush.why);
}
