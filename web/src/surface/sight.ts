/** What can be seen of the paper. */
import type { Figure } from "../api/types";
import type { Camera } from "./camera";

export class Sight {
  private readonly left: number;
  private readonly bottom: number;
  private readonly right: number;
  private readonly top: number;
  private readonly level: boolean;

  /** With some pixels around it: for the width of a stroke, and the mark of a point. */
  constructor(c: Camera, margin = 0) {
    const x = (c.width / 2 + margin) / c.scale;
    const y = (c.height / 2 + margin) / c.scale;
    [this.left, this.bottom, this.right, this.top] = [c.x - x, c.y - y, c.x + x, c.y + y];
    this.level = c.turn === 0;
  }

  /** Whether a figure lies wholly out of sight. An endless one has no box that says so, and one on turned paper another. */
  hides(figure: Figure | null): boolean {
    const box = figure?.box;
    if (!box || figure.through || !this.level) return false;
    const [left = 0, bottom = 0, right = 0, top = 0] = box;
    return left > this.right || right < this.left || bottom > this.top || top < this.bottom;
  }
}
