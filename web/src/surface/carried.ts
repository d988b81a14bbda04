/** What is carried by a drag, where it would be let down: its picture is laid out once and moved. */
import type { Figure, Line } from "../api/types";
import type { Shown } from "../state/figures";
import { selectedIds } from "../state/selection";
import type { Camera } from "./camera";
import { traceFigure } from "./figures";
import { stroke } from "./layers/figures";
import { LOOK } from "./look";
import { toScreen } from "./turned";

type Carry = NonNullable<Line["carry"]>;

/** More figures than these are painted once, and their picture is moved. */
const MANY = 150;

export class Carried {
  private path = new Path2D();
  private picture: { readonly canvas: HTMLCanvasElement; readonly x: number; readonly y: number } | null = null;
  private of: readonly unknown[] = [];

  draw(g: CanvasRenderingContext2D, c: Camera, carry: Carry, figures: readonly Shown[]): void {
    const ids = selectedIds();
    const of = [c, figures, ids.length, ids[0]];
    if (of.some((one, n) => one !== this.of[n])) {
      this.of = of;
      const chosen = new Set(ids);
      const shown = figures.filter((one) => chosen.has(one.id) && one.figure);
      this.path = new Path2D();
      for (const one of shown) if (one.figure) traceFigure(this.path, c, one.figure);
      this.picture = shown.length > MANY ? painted(c, shown, this.path) : null;
    }
    const [ax, ay] = toScreen(c, carry.start);
    const [bx, by] = toScreen(c, carry.end);
    if (this.picture) {
      const { canvas, x, y } = this.picture;
      const [w, h] = [canvas.width / devicePixelRatio, canvas.height / devicePixelRatio];
      g.drawImage(canvas, x + bx - ax, y + by - ay, w, h);
    } else {
      g.save();
      g.translate(bx - ax, by - ay);
      stroke(g, this.path, LOOK.place, 1.75);
      g.restore();
    }
    g.setLineDash([2, 5]);
    const way = new Path2D();
    way.moveTo(ax, ay);
    way.lineTo(bx, by);
    stroke(g, way, LOOK.snap, 1);
    g.setLineDash([]);
  }
}

/** The picture of what is carried, as far as a view's breadth beyond what is in sight, and where it lies. */
function painted(
  c: Camera,
  shown: readonly Shown[],
  path: Path2D,
): { canvas: HTMLCanvasElement; x: number; y: number } {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { figure } of shown) {
    const [l = 0, b = 0, r = 0, t = 0] = figure?.box ?? [];
    for (const at of [
      [l, b],
      [r, b],
      [r, t],
      [l, t],
    ]) {
      const [x, y] = toScreen(c, at);
      [left, top] = [Math.min(left, x), Math.min(top, y)];
      [right, bottom] = [Math.max(right, x), Math.max(bottom, y)];
    }
  }
  const x = Math.floor(Math.max(left - 2, -c.width));
  const y = Math.floor(Math.max(top - 2, -c.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.ceil((Math.min(right + 2, 2 * c.width) - x) * devicePixelRatio));
  canvas.height = Math.max(1, Math.ceil((Math.min(bottom + 2, 2 * c.height) - y) * devicePixelRatio));
  const g = canvas.getContext("2d");
  g?.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, -x * devicePixelRatio, -y * devicePixelRatio);
  if (g) stroke(g, path, LOOK.place, 1.75);
  return { canvas, x, y };
}

/** What was pasted, where a click would put it down. */
export function drawPlacing(
  g: CanvasRenderingContext2D,
  c: Camera,
  figures: readonly Figure[],
  at: readonly [number, number],
): void {
  const path = new Path2D();
  for (const figure of figures) traceFigure(path, c, figure);
  const [ox, oy] = toScreen(c, [0, 0]);
  const [x, y] = toScreen(c, at);
  g.save();
  g.translate(x - ox, y - oy);
  stroke(g, path, LOOK.place, 1.75);
  g.restore();
}
