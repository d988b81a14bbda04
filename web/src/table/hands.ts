/** What a pointer holds between going down and coming up: a stroke over stretches, what is carried, the beginning of a drag. */
import { showRefused } from "../state/actions";
import type { Hand } from "../api/types";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import { selectedIds } from "../state/selection";
import type { Pointer } from "./entry";

export type Holding = Pick<Hand, "stroke" | "carry" | "drag">;

const NOTHING: Holding = { stroke: [], carry: null, drag: null };

export class Hands {
  now: Holding = NOTHING;

  /** The pointer goes somewhere: what is stroked goes on. */
  go(pointer: Pointer): void {
    const { stroke } = this.now;
    if (pointer && stroke.length > 0) this.now = { ...this.now, stroke: [...stroke, [pointer.x, pointer.y]] };
  }

  /** The pointer goes down to stroke over stretches. False where what is open is not done so, or something is given to it already. */
  strokeFrom(pointer: Pointer): boolean {
    const { draft, text, mend } = useInterface.getState();
    if (!pointer || !draft || mend || draft.rows.length > 0 || text !== "" || !kindOf(draft.kind)?.brush) return false;
    this.now = { ...NOTHING, stroke: [[pointer.x, pointer.y]] };
    // The error of the one before is cleared.
    showRefused(null);
    return true;
  }

  /** What is selected is carried from here on. */
  carryFrom(pointer: Pointer): void {
    if (!pointer) return;
    this.now = {
      ...NOTHING,
      carry: { figures: [...selectedIds()], x: pointer.x, y: pointer.y, copied: false },
    };
  }

  /** Whether what is carried stays as well. */
  copies(copied: boolean): void {
    const { carry } = this.now;
    if (carry && carry.copied !== copied) this.now = { ...this.now, carry: { ...carry, copied } };
  }

  /** From here it is dragged to the other end of a figure. */
  dragFrom(pointer: Pointer): void {
    this.now = { ...NOTHING, drag: pointer };
  }

  /** The pointer comes up: what it held. */
  release(): Holding {
    const { now } = this;
    this.now = NOTHING;
    return now;
  }

  /** Drops what is held; false where nothing is. */
  drop(): boolean {
    return this.release() !== NOTHING;
  }
}
