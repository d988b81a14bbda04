/** Which part of the picture has to be painted anew: after an edit of a few figures among thousands the rest stays as it is. */
import type { Figure } from "../api/types";
import type { Shown } from "../state/figures";
import type { Box, Camera } from "./camera";
import { toScreenX, toScreenY } from "./camera";
import { AROUND, type Part } from "./sight";
import { seenBox } from "./turned";

/** With more of them it is no part any more. */
const MOST = 500;
/** Pixels of a name beside a point. */
const NAME_ABOVE = 24;
const A_LETTER = 10;

export class Damage {
  private whole = true;
  private figures: Shown[] = [];

  /** All is painted anew. */
  all(): void {
    this.whole = true;
    this.figures = [];
  }

  /** What was, or is, to be seen of some figures is painted anew. */
  add(figures: readonly Shown[]): void {
    if (this.whole) return;
    if (this.figures.length + figures.length > MOST) this.all();
    else this.figures.push(...figures);
  }

  /** The part that has to be painted; null for all of it. Nothing is left to be painted then. */
  take(c: Camera): Part | null {
    const part = this.whole ? null : partOf(c, this.figures);
    this.whole = false;
    this.figures = [];
    return part;
  }
}

/** The part of the surface that figures and their names lie in, on whole pixels of the screen; null where that cannot be said. */
export function partOf(c: Camera, figures: readonly Shown[], ratio = devicePixelRatio): Part | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { figure, name } of figures) {
    if (figure === null) continue;
    if (!isBoxed(figure)) return null;
    const box = seenBox(c, figure.box);
    left = Math.min(left, toScreenX(c, box[0]) - AROUND);
    top = Math.min(top, toScreenY(c, box[3]) - NAME_ABOVE);
    right = Math.max(right, toScreenX(c, box[2]) + AROUND + name.length * A_LETTER);
    bottom = Math.max(bottom, toScreenY(c, box[1]) + AROUND);
  }
  const low = (v: number) => Math.floor(Math.max(0, v) * ratio) / ratio;
  const high = (v: number, most: number) => Math.ceil(Math.min(most, v) * ratio) / ratio;
  return [low(left), low(top), high(right, c.width), high(bottom, c.height)];
}

/** What is written on paper is as large as the paper, and what runs on for ever has no end. */
function isBoxed(figure: Figure): figure is Figure & { box: Box } {
  return figure.box != null && !figure.through && figure.kind !== "paper";
}
