/** Ellipses: natively while they are small on the screen, above that in chords as fine as their sharpest bend needs. */
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";

const RADIANS = Math.PI / 180;
const LARGEST_NATIVE = 20_000;
const MOST_CHORDS = 20_000;

/** `part` is in degrees from the first axis, as seen from the centre; null for a whole ellipse. */
export function traceEllipse(
  path: Path2D,
  c: Camera,
  [x, y]: readonly [number, number],
  [a, b]: readonly [number, number],
  turned: number,
  part: readonly number[] | null,
): void {
  const eccentric = (direction: number) => Math.atan2(a * Math.sin(direction), b * Math.cos(direction));
  const begin = part ? eccentric((part[0] ?? 0) * RADIANS) : 0;
  let sweep = part ? eccentric((part[1] ?? 0) * RADIANS) - begin : 2 * Math.PI;
  if (sweep <= 0) sweep += 2 * Math.PI;
  const cos = Math.cos(turned * RADIANS);
  const sin = Math.sin(turned * RADIANS);
  const largest = Math.max(a, b) * c.scale;
  const place = (t: number): [number, number] => {
    const u = a * Math.cos(t);
    const v = b * Math.sin(t);
    return [toScreenX(c, x + u * cos - v * sin), toScreenY(c, y + u * sin + v * cos)];
  };
  path.moveTo(...place(begin));
  if (largest <= LARGEST_NATIVE) {
    path.ellipse(
      toScreenX(c, x),
      toScreenY(c, y),
      a * c.scale,
      b * c.scale,
      -turned * RADIANS,
      -begin,
      -(begin + sweep),
      true,
    );
    return;
  }
  const count = Math.min(MOST_CHORDS, Math.ceil(sweep * Math.sqrt(largest / 0.16)));
  for (let i = 1; i <= count; i++) path.lineTo(...place(begin + (sweep * i) / count));
}
