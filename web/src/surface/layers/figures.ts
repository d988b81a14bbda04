/** The drawing itself: pencil under ink, one stroke a style. */
import type { Figure } from "../../api/types";
import { type Shown, stepOf } from "../../state/figures";
import type { Camera } from "../camera";
import { traceFigure } from "../figures";
import { drawOnPaper } from "../figures/paper";
import { FONT, LOOK } from "../look";
import { AROUND, type Part, Sight } from "../sight";
import { toScreen } from "../turned";
import { paths, penOf, strokePens, traceInPens } from "./pens";

const MANY = 3000;
/** Points whose names are always shown. */
const MOST_NAMED = 200;
/** With so many in sight each is a few pixels large: thin strokes and dots leave them apart, in a tenth of the time. */
const CROWDED = 8_000;

export interface Marks {
  /** Figures that take the place of the book's while a step is being mended; null hides one. */
  readonly instead: ReadonlyMap<string, Figure | null>;
  /** The step being mended: what stands after it is drawn faintly. */
  readonly mended: string | null;
}

/** How so many figures are drawn: whether that many are in sight, whether there are many at all, and whether points have their names. */
export interface Manner {
  readonly crowded: boolean;
  readonly many: boolean;
  readonly named: boolean;
}

export function mannerOf(c: Camera, steps: readonly Shown[]): Manner {
  const points = steps.reduce((count, { kind }) => count + Number(kind === "point"), 0);
  return {
    crowded: isCrowded(new Sight(c, AROUND), steps),
    many: steps.length > MANY,
    named: points <= MOST_NAMED,
  };
}

/** Draws them, or of them what lies in a part of the surface: what is painted around it stays. */
export function drawFigures(
  g: CanvasRenderingContext2D,
  c: Camera,
  steps: readonly Shown[],
  marks: Marks,
  { crowded, many, named }: Manner,
  part: Part = [0, 0, c.width, c.height],
): void {
  const [left, top, right, bottom] = part;
  if (!(right > left && bottom > top)) return;
  g.save();
  g.beginPath();
  g.rect(left, top, right - left, bottom - top);
  g.clip();
  g.clearRect(left, top, right - left, bottom - top);
  const pens = paths();
  const faint = new Path2D();
  const written: Figure[] = [];
  const pale: Figure[] = [];
  let later = false;
  const sight = new Sight(c, AROUND, part);
  const replaced = (step: Shown) => marks.instead.size > 0 && marks.instead.has(stepOf(step.id));
  for (const step of steps) {
    // What lies wholly out of sight is left out.
    if (sight.hides(step.figure)) {
      if (marks.mended !== null && stepOf(step.id) === marks.mended) later = true;
      continue;
    }
    if (marks.mended !== null && stepOf(step.id) === marks.mended) later = true;
    else if (later && !step.hidden && step.figure && !replaced(step)) {
      traceFigure(faint, c, step.figure);
      if (step.figure.kind === "paper") pale.push(step.figure);
      continue;
    }
    if (step.hidden || replaced(step) || step.figure === null) continue;
    if (crowded && step.figure.kind === "point") traceDot(pens[penOf(step)], c, step.figure);
    else traceInPens(pens, c, penOf(step), step.figure);
    if (step.figure.kind === "paper") written.push(step.figure);
  }
  // Among thousands of lines nobody sees how their ends are shaped, and round ones take much longer.
  g.lineJoin = many ? "bevel" : "round";
  g.lineCap = many ? "butt" : "round";
  stroke(g, faint, LOOK.faint, 1);
  strokePens(g, pens, crowded);
  for (const figure of pale) drawOnPaper(g, c, figure, LOOK.faint);
  for (const figure of written) drawOnPaper(g, c, figure, LOOK.ink);
  if (named) drawNames(g, c, steps, marks);
  g.restore();
}

function isCrowded(sight: Sight, steps: readonly Shown[]): boolean {
  if (steps.length <= CROWDED) return false;
  let seen = 0;
  return steps.some((step) => step.figure !== null && !sight.hides(step.figure) && ++seen > CROWDED);
}

/** A point among so many others that their crosses would cover all: a pixel. */
function traceDot(path: Path2D, c: Camera, point: Figure): void {
  const [x, y] = toScreen(c, [point.at?.[0] ?? NaN, point.at?.[1] ?? NaN]);
  path.moveTo(x - 0.5, y);
  path.lineTo(x + 0.5, y);
}

export function stroke(g: CanvasRenderingContext2D, path: Path2D, colour: string, width: number): void {
  g.strokeStyle = colour;
  g.lineWidth = width;
  g.stroke(path);
}

/** What stands out, because it is pointed at or selected, with its name; drawn over the rest, which is not painted anew. */
export function drawLit(g: CanvasRenderingContext2D, c: Camera, lit: readonly Shown[]): void {
  const glow = new Path2D();
  const pens = paths();
  for (const step of lit) {
    if (step.hidden || !step.figure) continue;
    traceFigure(glow, c, step.figure);
    traceInPens(pens, c, penOf(step), step.figure);
  }
  g.lineJoin = "round";
  g.lineCap = "round";
  stroke(g, glow, LOOK.selected, 5);
  strokePens(g, pens);
  for (const { figure, hidden } of lit) if (figure && !hidden) drawOnPaper(g, c, figure, LOOK.ink);
  g.font = FONT;
  g.textAlign = "left";
  // Names of figures about one centre stand below one another.
  const taken = new Map<string, number>();
  for (const step of lit) if (!step.hidden && step.figure?.kind !== "paper") drawName(g, c, step, LOOK.ink, taken);
}

const LINE_HEIGHT = 14;

let found: {
  readonly of: readonly Shown[];
  readonly names: readonly string[];
  readonly figures: readonly Shown[];
} | null = null;

/** The figures with these names: every move of the pointer asks for the same ones. */
function named(of: readonly Shown[], names: readonly string[]): readonly Shown[] {
  if (found?.of !== of || found.names !== names) {
    const wanted = new Set(names);
    found = { of, names, figures: of.filter((one) => wanted.has(one.name)) };
  }
  return found.figures;
}

/** What is marked to be found again: one calm colour along it. */
export function drawMarked(
  g: CanvasRenderingContext2D,
  c: Camera,
  figures: readonly Shown[],
  names: readonly string[],
): void {
  if (names.length === 0) return;
  const path = new Path2D();
  for (const one of named(figures, names)) if (!one.hidden && one.figure) traceFigure(path, c, one.figure);
  g.lineCap = "round";
  g.globalAlpha = 0.55;
  stroke(g, path, LOOK.marked, 9);
  g.globalAlpha = 1;
}

/** Names of points. */
function drawNames(g: CanvasRenderingContext2D, c: Camera, steps: readonly Shown[], marks: Marks): void {
  const points = steps.filter((s) => s.kind === "point");
  g.font = FONT;
  g.textAlign = "left";
  for (const step of points) if (!step.hidden && !marks.instead.has(stepOf(step.id))) drawName(g, c, step, LOOK.quiet);
}

function drawName(
  g: CanvasRenderingContext2D,
  c: Camera,
  step: Shown,
  colour: string,
  taken: Map<string, number> | null = null,
): void {
  const at = step.figure && labelPlace(step.figure);
  if (!at) return;
  const [x, y] = toScreen(c, at);
  const [sx, sy] = [x + 8, y - 7];
  if (sx < 0 || sy < 0 || sx > c.width || sy > c.height) return;
  const spot = `${Math.round(sx / 8)} ${Math.round(sy / 8)}`;
  const above = taken?.get(spot) ?? 0;
  taken?.set(spot, above + 1);
  g.fillStyle = colour;
  g.fillText(step.name, sx, sy + above * LINE_HEIGHT);
}

/** Where the names of points stand that are always shown: left, top, right, bottom. */
export function pointNameRects(c: Camera, steps: readonly Shown[]): [number, number, number, number][] {
  return steps.flatMap((step) => {
    const at = step.kind === "point" && !step.hidden && step.figure ? labelPlace(step.figure) : null;
    if (!at) return [];
    const [x, y] = toScreen(c, at);
    return [[x - 6, y - 18, x + 8 + 8 * step.name.length, y + 6]];
  });
}

function labelPlace(figure: Figure): [number, number] | null {
  const at = figure.at ?? figure.centre ?? figure.through ?? figure.from ?? figure.pieces?.[0]?.from;
  return at?.[0] !== undefined && at[1] !== undefined ? [at[0], at[1]] : null;
}
