/** The drawing itself: pencil under ink, one stroke a style. */
import type { Figure, Step } from "../../api/types";
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";
import { traceFigure } from "../figures";
import { FONT, LOOK } from "../look";

export interface Marks {
  /** Steps that stand out, because they are pointed at or selected. */
  readonly lit: ReadonlySet<string>;
  /** Figures that take the place of the book's while a step is being mended; null hides one. */
  readonly instead: ReadonlyMap<string, Figure | null>;
  /** The step being mended: what stands after it is drawn faintly. */
  readonly mended: string | null;
}

export function drawFigures(g: CanvasRenderingContext2D, c: Camera, steps: readonly Step[], marks: Marks): void {
  g.clearRect(0, 0, c.width, c.height);
  const pencil = new Path2D();
  const ink = new Path2D();
  const lit = new Path2D();
  const faint = new Path2D();
  let later = false;
  for (const step of steps) {
    if (step.id === marks.mended) later = true;
    else if (later && !step.hidden && step.figure && !marks.instead.has(step.id)) {
      traceFigure(faint, c, step.figure);
      continue;
    }
    if (step.hidden || marks.instead.has(step.id) || step.figure === null) continue;
    if (marks.lit.has(step.id)) traceFigure(lit, c, step.figure);
    traceFigure(step.pen === "pencil" ? pencil : ink, c, step.figure);
  }
  g.lineJoin = "round";
  g.lineCap = "round";
  stroke(g, faint, LOOK.faint, 1);
  stroke(g, lit, LOOK.selected, 5);
  stroke(g, pencil, LOOK.pencil, 1);
  stroke(g, ink, LOOK.ink, 1.75);
  drawNames(g, c, steps, marks);
}

export function stroke(g: CanvasRenderingContext2D, path: Path2D, colour: string, width: number): void {
  g.strokeStyle = colour;
  g.lineWidth = width;
  g.stroke(path);
}

/** Names of points always, of other figures while they stand out. */
function drawNames(g: CanvasRenderingContext2D, c: Camera, steps: readonly Step[], marks: Marks): void {
  g.font = FONT;
  g.textAlign = "left";
  const points = steps.filter((s) => s.kind === "point").length;
  for (const step of steps) {
    const figure = step.figure;
    if (step.hidden || !figure || marks.instead.has(step.id)) continue;
    const shown = marks.lit.has(step.id);
    if (!shown && (step.kind !== "point" || points > 200)) continue;
    const at = labelPlace(figure);
    if (!at) continue;
    const sx = toScreenX(c, at[0]) + 8;
    const sy = toScreenY(c, at[1]) - 7;
    if (sx < 0 || sy < 0 || sx > c.width || sy > c.height) continue;
    g.fillStyle = shown ? LOOK.ink : LOOK.quiet;
    g.fillText(step.name, sx, sy);
  }
}

function labelPlace(figure: Figure): [number, number] | null {
  const at = figure.at ?? figure.centre ?? figure.through ?? figure.from ?? figure.pieces?.[0]?.from;
  return at?.[0] !== undefined && at[1] !== undefined ? [at[0], at[1]] : null;
}
