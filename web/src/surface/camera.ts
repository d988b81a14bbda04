/** From the drawing to the screen and back. The only place where y changes its sign. */

export interface Camera {
  /** The place of the drawing in the middle of the view. */
  readonly x: number;
  readonly y: number;
  /** Pixels in one unit of the drawing. */
  readonly scale: number;
  /** Size of the view in pixels. */
  readonly width: number;
  readonly height: number;
  /** Degrees that the view is turned counter-clockwise: along a datum that slopes. */
  readonly turn: number;
}

export type Box = readonly [number, number, number, number];

const SMALLEST = 1e-13;
const LARGEST = 1e13;
const MARGIN = 48;
const SMALL_SHARE = 0.4;

export const toScreenX = (c: Camera, x: number): number => (x - c.x) * c.scale + c.width / 2;
export const toScreenY = (c: Camera, y: number): number => (c.y - y) * c.scale + c.height / 2;
export const toDrawingX = (c: Camera, sx: number): number => c.x + (sx - c.width / 2) / c.scale;
export const toDrawingY = (c: Camera, sy: number): number => c.y - (sy - c.height / 2) / c.scale;

export function panned(c: Camera, dx: number, dy: number): Camera {
  return { ...c, x: c.x - dx / c.scale, y: c.y + dy / c.scale };
}

/** Zooms so that the place under the pointer stays under it. */
export function zoomed(c: Camera, factor: number, sx: number, sy: number): Camera {
  const scale = Math.min(LARGEST, Math.max(SMALLEST, c.scale * factor));
  const x = toDrawingX(c, sx);
  const y = toDrawingY(c, sy);
  return { ...c, scale, x: x - (sx - c.width / 2) / scale, y: y + (sy - c.height / 2) / scale };
}

export function resized(c: Camera, width: number, height: number): Camera {
  return { ...c, width, height };
}

/** The view that holds a box, with a margin; a box without size is put in the middle at the present scale. */
export function fitted(c: Camera, box: Box): Camera {
  const w = box[2] - box[0];
  const h = box[3] - box[1];
  const middle = { ...c, x: box[0] + w / 2, y: box[1] + h / 2 };
  if (!(w > 0 || h > 0)) return middle;
  const room = (size: number) => Math.max(40, size - 2 * MARGIN);
  const scale = Math.min(w > 0 ? room(c.width) / w : Infinity, h > 0 ? room(c.height) / h : Infinity);
  return { ...middle, scale: Math.min(LARGEST, Math.max(SMALLEST, scale)) };
}

export function holds(c: Camera, box: Box): boolean {
  const [left, right] = [toScreenX(c, box[0]), toScreenX(c, box[2])];
  const [top, bottom] = [toScreenY(c, box[3]), toScreenY(c, box[1])];
  return left >= 0 && right <= c.width && top >= 0 && bottom <= c.height;
}

/** The view that shows a box which was just placed: unchanged if it is in sight, moved if nothing that is in sight would be
 * pushed out of it, else zoomed out to hold both. What is in sight is asked for only where it matters: of very many figures that
 * takes a while. */
export function brought(c: Camera, box: Box, seen: () => Box | null): Camera {
  if (holds(c, box)) return c;
  const inSight = seen();
  const [left, right] = [toScreenX(c, box[0]), toScreenX(c, box[2])];
  const [top, bottom] = [toScreenY(c, box[3]), toScreenY(c, box[1])];
  if (right - left <= c.width - 2 * MARGIN && bottom - top <= c.height - 2 * MARGIN) {
    const dx = left < MARGIN ? MARGIN - left : right > c.width - MARGIN ? c.width - MARGIN - right : 0;
    const dy = top < MARGIN ? MARGIN - top : bottom > c.height - MARGIN ? c.height - MARGIN - bottom : 0;
    const moved = panned(c, dx, dy);
    if (inSight === null || holds(moved, inSight)) return moved;
  }
  return fitted(c, union(inSight, box) ?? box);
}

/** Whether a box is so small in the view that a table with nothing else on it would look empty. */
export function small(c: Camera, box: Box): boolean {
  const [w, h] = [(box[2] - box[0]) * c.scale, (box[3] - box[1]) * c.scale];
  return (w > 0 || h > 0) && w < c.width * SMALL_SHARE && h < c.height * SMALL_SHARE;
}

export function union(a: Box | null, b: Box | null): Box | null {
  if (a === null || b === null) return a ?? b;
  return [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[2], b[2]), Math.max(a[3], b[3])];
}

/** The largest of 1, 2, 5 times a power of ten that is not above a number. */
export function roundBelow(value: number): number {
  const power = Math.pow(10, Math.floor(Math.log10(value)));
  const lead = value / power;
  return (lead >= 5 ? 5 : lead >= 2 ? 2 : 1) * power;
}
