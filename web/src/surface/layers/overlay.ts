/** What belongs to the pointer and the open line: the figure about to be placed, the last place, the place to be taken. */
import type { Figure } from "../../api/types";
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";
import { traceFigure } from "../figures";
import { LOOK } from "../look";
import { stroke } from "./figures";

export interface Overlay {
  readonly preview: Figure | null;
  /** Figures that follow the step being mended. */
  readonly follows: readonly Figure[];
  readonly last: readonly number[] | null;
  readonly taken: { readonly at: readonly number[]; readonly special: boolean } | null;
}

export function drawOverlay(g: CanvasRenderingContext2D, c: Camera, o: Overlay): void {
  g.clearRect(0, 0, c.width, c.height);
  g.lineJoin = "round";
  if (o.last) drawLast(g, c, o.last);
  if (o.follows.length > 0) {
    const path = new Path2D();
    for (const figure of o.follows) traceFigure(path, c, figure);
    stroke(g, path, LOOK.place, 1.25);
  }
  if (o.preview) {
    const path = new Path2D();
    traceFigure(path, c, o.preview);
    stroke(g, path, LOOK.place, 1.75);
  }
  if (o.taken?.special) drawPrick(g, c, o.taken.at);
}

/** A dot in a ring: the one mark of every snap. */
function drawPrick(g: CanvasRenderingContext2D, c: Camera, at: readonly number[]): void {
  const sx = toScreenX(c, at[0] ?? 0);
  const sy = toScreenY(c, at[1] ?? 0);
  g.strokeStyle = LOOK.snap;
  g.lineWidth = 1.5;
  g.beginPath();
  g.arc(sx, sy, 6.5, 0, 2 * Math.PI);
  g.stroke();
  g.fillStyle = LOOK.snap;
  g.beginPath();
  g.arc(sx, sy, 2, 0, 2 * Math.PI);
  g.fill();
}

/** The last place: a short flag beside it, so that it does not hide what is there. */
function drawLast(g: CanvasRenderingContext2D, c: Camera, at: readonly number[]): void {
  const sx = toScreenX(c, at[0] ?? 0);
  const sy = toScreenY(c, at[1] ?? 0);
  g.strokeStyle = LOOK.place;
  g.lineWidth = 1.25;
  g.beginPath();
  g.moveTo(sx, sy + 3);
  g.lineTo(sx - 5, sy + 11);
  g.lineTo(sx + 5, sy + 11);
  g.closePath();
  g.stroke();
}
