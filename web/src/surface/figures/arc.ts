/** Circles and arcs, exact at every zoom.
 *
 * A canvas draws arcs well up to a radius of some 1e5 pixels. Above that the visible part is laid out in short chords
 * relative to the rim's nearest place to the middle of the view, so that no large numbers are subtracted.
 */
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";

const LARGEST_NATIVE = 20_000;
/** How far a chord may lie inside the rim, in pixels. */
const SAGITTA = 0.02;
const TURN = 2 * Math.PI;

/** Adds a circle. */
export function traceCircle(path: Path2D, c: Camera, x: number, y: number, radius: number): void {
  traceArc(path, c, x, y, radius, 0, TURN);
}

/** Adds an arc: `start` and `sweep` in radians, counter-clockwise from east. */
export function traceArc(
  path: Path2D,
  c: Camera,
  x: number,
  y: number,
  radius: number,
  start: number,
  sweep: number,
): void {
  const r = radius * c.scale;
  const sx = toScreenX(c, x);
  const sy = toScreenY(c, y);
  if (r > LARGEST_NATIVE) {
    traceLarge(path, c, x, y, radius, start, sweep);
    return;
  }
  if (sx + r < -64 || sx - r > c.width + 64 || sy + r < -64 || sy - r > c.height + 64) return;
  if (r < 0.5) {
    path.rect(sx - 0.5, sy - 0.5, 1, 1);
    return;
  }
  path.moveTo(sx + r * Math.cos(start), sy - r * Math.sin(start));
  path.arc(sx, sy, r, -start, -(start + sweep), sweep > 0);
}

function traceLarge(path: Path2D, c: Camera, x: number, y: number, radius: number, start: number, sweep: number): void {
  const dx = c.x - x;
  const dy = c.y - y;
  const nearest = Math.atan2(dy, dx);
  const reach = Math.hypot(c.width, c.height) / 2 + 64;
  // Distance of the middle of the view from the rim, along the radius, in pixels.
  const off = (radius - Math.hypot(dx, dy)) * c.scale;
  if (Math.abs(off) > reach) return;
  const r = radius * c.scale;
  const half = Math.min(Math.PI, (2 * reach) / r);
  for (const [from, to] of overlap(nearest, half, start, sweep)) {
    chords(path, c, r, off, nearest, from, to);
  }
}

/** Parts of the arc within `half` of the direction `nearest`, as angles measured from that direction. */
function overlap(nearest: number, half: number, start: number, sweep: number): [number, number][] {
  if (Math.abs(sweep) >= TURN) return [[-half, half]];
  const low = sweep > 0 ? start : start + sweep;
  const length = Math.abs(sweep);
  let begin = (low - nearest) % TURN;
  if (begin > Math.PI) begin -= TURN;
  if (begin < -Math.PI) begin += TURN;
  const found: [number, number][] = [];
  for (const shift of [-TURN, 0, TURN]) {
    const from = Math.max(-half, begin + shift);
    const to = Math.min(half, begin + shift + length);
    if (from < to) found.push([from, to]);
  }
  return found;
}

function chords(path: Path2D, c: Camera, r: number, off: number, nearest: number, from: number, to: number): void {
  const ct = Math.cos(nearest);
  const st = Math.sin(nearest);
  const count = Math.max(1, Math.ceil((to - from) / Math.sqrt((8 * SAGITTA) / r)));
  for (let i = 0; i <= count; i++) {
    const d = from + ((to - from) * i) / count;
    // The rim at `nearest + d`, relative to the rim at `nearest`: differences of sines and cosines, without cancellation.
    const sine = Math.sin(d);
    const versine = 2 * Math.sin(d / 2) ** 2;
    const px = off * ct + r * (-versine * ct - st * sine);
    const py = off * st + r * (-versine * st + ct * sine);
    const sx = c.width / 2 + px;
    const sy = c.height / 2 - py;
    if (i === 0) path.moveTo(sx, sy);
    else path.lineTo(sx, sy);
  }
}
