/** Lines, clipped to the view: a canvas loses what lies more than 1e7 pixels away. */
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";

const ROOM = 64;

/** Adds a line between two places of the drawing. */
export function traceLine(path: Path2D, c: Camera, ax: number, ay: number, bx: number, by: number): void {
  clipped(path, c, toScreenX(c, ax), toScreenY(c, ay), toScreenX(c, bx), toScreenY(c, by), 0, 1);
}

/** Adds the visible part of an endless line through a place along a unit vector. */
export function traceEndless(path: Path2D, c: Camera, x: number, y: number, ux: number, uy: number): void {
  const sx = toScreenX(c, x);
  const sy = toScreenY(c, y);
  clipped(path, c, sx, sy, sx + ux, sy - uy, -Infinity, Infinity);
}

/** The part of (a + t (b - a)) with t between from and to that lies in the view (Liang and Barsky's method). */
function clipped(path: Path2D, c: Camera, ax: number, ay: number, bx: number, by: number, from: number, to: number) {
  const dx = bx - ax;
  const dy = by - ay;
  let t0 = from;
  let t1 = to;
  const edges: [number, number][] = [
    [-dx, ax + ROOM],
    [dx, c.width + ROOM - ax],
    [-dy, ay + ROOM],
    [dy, c.height + ROOM - ay],
  ];
  for (const [p, q] of edges) {
    if (p === 0) {
      if (q < 0) return;
    } else if (p < 0) t0 = Math.max(t0, q / p);
    else t1 = Math.min(t1, q / p);
  }
  if (t0 > t1) return;
  path.moveTo(t0 === 0 ? ax : ax + t0 * dx, t0 === 0 ? ay : ay + t0 * dy);
  path.lineTo(t1 === 1 ? bx : ax + t1 * dx, t1 === 1 ? by : ay + t1 * dy);
}
