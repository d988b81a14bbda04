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

export class Carried {
  private path: Path2D | null = null;
  private of: readonly unknown[] = [];

  draw(g: CanvasRenderingContext2D, c: Camera, carry: Carry, figures: readonly Shown[]): void {
    const ids = selectedIds();
    const of = [c, figures, ids.length, ids[0]];
    if (!this.path || of.some((one, n) => one !== this.of[n])) {
      const chosen = new Set(ids);
      this.path = new Path2D();
      for (const one of figures) if (chosen.has(one.id) && one.figure) traceFigure(this.path, c, one.figure);
      this.of = of;
    }
    const [ax, ay] = toScreen(c, carry.start);
    const [bx, by] = toScreen(c, carry.end);
    g.save();
    g.translate(bx - ax, by - ay);
    stroke(g, this.path, LOOK.place, 1.75);
    g.restore();
    g.setLineDash([2, 5]);
    const way = new Path2D();
    way.moveTo(ax, ay);
    way.lineTo(bx, by);
    stroke(g, way, LOOK.snap, 1);
    g.setLineDash([]);
  }
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
