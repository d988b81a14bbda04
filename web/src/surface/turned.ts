/** A view that is turned with the datum: figures and places as they lie in it. Everything else draws as if nothing were turned. */
import type { Figure } from "../api/types";
import type { Box, Camera } from "./camera";
import { toDrawingX, toDrawingY, toScreenX, toScreenY } from "./camera";

type Pair = readonly [number, number];
const RADIANS = Math.PI / 180;

/** A place of the drawing as it lies in the view, before it is scaled. */
export function seen(c: Camera, at: readonly number[]): Pair {
  return turnedBy(-c.turn, at);
}

/** A place of the drawing as a pixel. */
export function toScreen(c: Camera, at: readonly number[]): [number, number] {
  const [x, y] = seen(c, at);
  return [toScreenX(c, x), toScreenY(c, y)];
}

/** A pixel as a place of the drawing. */
export function toDrawing(c: Camera, sx: number, sy: number): Pair {
  return turnedBy(c.turn, [toDrawingX(c, sx), toDrawingY(c, sy)]);
}

/** The same view with another turn, about the place in its middle. */
export function withTurn(c: Camera, turn: number): Camera {
  if (turn === c.turn) return c;
  const [x, y] = turnedBy(c.turn - turn, [c.x, c.y]);
  return { ...c, x, y, turn };
}

/** The box around a box of the drawing, as it lies in the view. */
export function seenBox(c: Camera, box: Box): Box {
  if (c.turn === 0) return box;
  const corners = [
    [box[0], box[1]],
    [box[2], box[1]],
    [box[2], box[3]],
    [box[0], box[3]],
  ].map((at) => seen(c, at));
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

const kept = new WeakMap<Figure, { readonly turn: number; readonly figure: Figure }>();

/** A figure as it lies in the view; kept, since thousands of them are drawn again with every move of the paper. */
export function seenFigure(c: Camera, figure: Figure): Figure {
  if (c.turn === 0) return figure;
  const found = kept.get(figure);
  if (found?.turn === c.turn) return found.figure;
  const made = turnedFigure(-c.turn, figure);
  kept.set(figure, { turn: c.turn, figure: made });
  return made;
}

function turnedFigure(turn: number, f: Figure): Figure {
  const place = (at: number[] | null | undefined) => (at ? [...turnedBy(turn, at)] : at);
  const made = { ...f };
  for (const key of ["at", "from", "to", "through", "centre"] as const) {
    const at = place(f[key]);
    if (at) made[key] = at;
  }
  if (typeof f.direction === "number") made.direction = f.direction + turn;
  if (typeof f.turned === "number") made.turned = f.turned + turn;
  if (f.pieces) made.pieces = f.pieces.map((piece) => turnedFigure(turn, piece));
  return made;
}

function turnedBy(degrees: number, at: readonly number[]): Pair {
  const [x = 0, y = 0] = at;
  if (degrees === 0) return [x, y];
  const c = Math.cos(degrees * RADIANS);
  const s = Math.sin(degrees * RADIANS);
  return [x * c - y * s, x * s + y * c];
}
