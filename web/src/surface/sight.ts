/** What can be seen of the paper. */
import type { Figure } from "../api/types";
import { toDrawingX, toDrawingY, type Camera } from "./camera";

/** Left, top, right and bottom, in pixels of the surface. */
export type Part = readonly [number, number, number, number];

/** Pixels that strokes, and the mark of a point, may reach beyond a figure. */
export const AROUND = 12;
const RADIANS = Math.PI / 180;

export class Sight {
  private readonly left: number;
  private readonly bottom: number;
  private readonly right: number;
  private readonly top: number;
  /** Of the turn of the view. */
  private readonly cos: number;
  private readonly sin: number;

  /** With some pixels around it, for the width of a stroke, and the mark of a point; of all, or of a part of the surface. */
  constructor(c: Camera, margin = 0, [left, top, right, bottom]: Part = [0, 0, c.width, c.height]) {
    [this.left, this.right] = [toDrawingX(c, left - margin), toDrawingX(c, right + margin)];
    [this.bottom, this.top] = [toDrawingY(c, bottom + margin), toDrawingY(c, top - margin)];
    [this.cos, this.sin] = [Math.cos(c.turn * RADIANS), Math.sin(c.turn * RADIANS)];
  }

  /** Whether a figure lies wholly out of sight. An endless one has no box that says so. */
  hides(figure: Figure | null): boolean {
    const box = figure?.box;
    if (!box || figure.through) return false;
    const [left = 0, bottom = 0, right = 0, top = 0] = box;
    if (this.sin === 0) return left > this.right || right < this.left || bottom > this.top || top < this.bottom;
    // The box around the turned box, by its middle and its half sides: of a hundred thousand nothing is made anew.
    const [x, y] = [(left + right) / 2, (bottom + top) / 2];
    const [w, h] = [(right - left) / 2, (top - bottom) / 2];
    const across = x * this.cos + y * this.sin;
    const up = y * this.cos - x * this.sin;
    const half = w * Math.abs(this.cos) + h * Math.abs(this.sin);
    const high = w * Math.abs(this.sin) + h * Math.abs(this.cos);
    return across - half > this.right || across + half < this.left || up - high > this.top || up + high < this.bottom;
  }
}
