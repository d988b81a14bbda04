/** Points: a small cross, the same size at every zoom. */
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";

const ARM = 4.5;

export function tracePoint(path: Path2D, c: Camera, x: number, y: number): void {
  const sx = toScreenX(c, x);
  const sy = toScreenY(c, y);
  if (sx < -ARM || sy < -ARM || sx > c.width + ARM || sy > c.height + ARM) return;
  path.moveTo(sx - ARM, sy - ARM);
  path.lineTo(sx + ARM, sy + ARM);
  path.moveTo(sx - ARM, sy + ARM);
  path.lineTo(sx + ARM, sy - ARM);
}
