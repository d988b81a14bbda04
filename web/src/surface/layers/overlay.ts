/** What belongs to the pointer and the open line: the figure about to be placed, the last place, the place to be taken. */
import type { Brush, Figure, Handle, Line, Solution } from "../../api/types";
import type { Camera } from "../camera";
import { traceFigure } from "../figures";
import { drawOnPaper } from "../figures/paper";
import { FONT, LOOK } from "../look";
import { toScreen } from "../turned";
import { stroke } from "./figures";

export interface Overlay {
  readonly preview: Figure | null;
  readonly solutions: readonly Solution[];
  readonly taken: number;
  /** Figures that follow the step being mended. */
  readonly follows: readonly Figure[];
  readonly last: readonly number[] | null;
  /** The place that would be taken, where it is more than a plain position. */
  readonly place: readonly number[] | null;
  /** The sight lines that it lies on, and the places that were passed over. */
  readonly sights: readonly Figure[];
  readonly passed: readonly (readonly number[])[];
  /** What a step that is pointed at in the book works on, as it stood before it. */
  readonly was: readonly Figure[];
  /** Thin lines that show the working of a step. */
  readonly working: readonly Figure[];
  /** The box that is being drawn to be seen larger, in pixels. */
  readonly frame: { readonly box: readonly [number, number, number, number]; readonly choosing: boolean } | null;
  /** Where the selected figure can be pulled, and which handle is being pulled. */
  readonly handles: readonly Handle[];
  readonly held: number;
  /** The stretches that are pointed at, as they would be inked, or gone. */
  readonly brush: Brush | null;
  /** What is selected, dragged from a place to a place. */
  readonly carry: Line["carry"];
}

export function drawOverlay(g: CanvasRenderingContext2D, c: Camera, o: Overlay): void {
  g.lineJoin = "round";
  if (o.last) drawLast(g, c, o.last);
  for (const figure of o.follows) {
    // One by one: large figures that cross each other are slower to stroke as one path.
    const path = new Path2D();
    traceFigure(path, c, figure);
    stroke(g, path, LOOK.place, 1.25);
    drawOnPaper(g, c, figure, LOOK.place);
  }
  if (o.working.length + o.was.length > 0) {
    const path = new Path2D();
    for (const figure of [...o.working, ...o.was]) traceFigure(path, c, figure);
    g.setLineDash([7, 4]);
    stroke(g, path, LOOK.working, 1);
    g.setLineDash([]);
  }
  if (o.brush) drawBrush(g, c, o.brush);
  drawSights(g, c, o);
  drawOthers(g, c, o);
  if (o.preview) {
    const path = new Path2D();
    traceFigure(path, c, o.preview);
    stroke(g, path, LOOK.place, o.preview.kind === "paper" ? 1 : 1.75);
    drawOnPaper(g, c, o.preview, LOOK.place);
  }
  drawNumbers(g, c, o);
  for (const at of o.solutions[o.taken]?.touching ?? []) drawTouch(g, c, at);
  if (o.place) drawPrick(g, c, o.place);
  if (o.carry) for (const at of [o.carry.start, o.carry.end]) drawPrick(g, c, at);
  o.handles.forEach((handle, n) => drawPrick(g, c, handle.at, n === o.held ? LOOK.place : LOOK.selected));
  if (o.frame) {
    const [x, y, u, v] = o.frame.box;
    g.strokeStyle = LOOK.selected;
    g.lineWidth = 1;
    // A box that chooses is filled; one that is only to be seen larger is not.
    g.fillStyle = "rgb(215 151 26 / 0.12)";
    if (o.frame.choosing) g.fillRect(x, y, u - x, v - y);
    g.strokeRect(x, y, u - x, v - y);
  }
}

/** Stretches as they will be: in ink, lit; or gone, with only a trace left of where they ran. */
function drawBrush(g: CanvasRenderingContext2D, c: Camera, brush: Brush): void {
  const path = new Path2D();
  for (const figure of brush.stretches) traceFigure(path, c, figure);
  g.lineCap = brush.gone ? "butt" : "round";
  if (brush.gone) {
    stroke(g, path, LOOK.paper, 4);
    g.setLineDash([1.5, 4.5]);
    stroke(g, path, LOOK.place, 1.5);
    g.setLineDash([]);
  } else {
    stroke(g, path, LOOK.selected, 5);
    stroke(g, path, LOOK.ink, 1.75);
  }
}

/** The sight lines in use, thin and dashed, and a small cross where each may start from. */
function drawSights(g: CanvasRenderingContext2D, c: Camera, o: Overlay): void {
  const lines = new Path2D();
  for (const sight of o.sights) traceFigure(lines, c, sight);
  g.setLineDash([2, 5]);
  stroke(g, lines, LOOK.snap, 1);
  g.setLineDash([]);
  const crosses = new Path2D();
  for (const at of o.passed) {
    const [sx, sy] = toScreen(c, at);
    crosses.moveTo(sx - 4, sy);
    crosses.lineTo(sx + 4, sy);
    crosses.moveTo(sx, sy - 4);
    crosses.lineTo(sx, sy + 4);
  }
  stroke(g, crosses, LOOK.snap, 1.5);
}

/** All solutions but the one taken, faint. */
function drawOthers(g: CanvasRenderingContext2D, c: Camera, o: Overlay): void {
  if (o.solutions.length < 2) return;
  const others = new Path2D();
  o.solutions.forEach((one, n) => {
    if (n !== o.taken) traceFigure(others, c, one.figure);
  });
  g.globalAlpha = 0.45;
  stroke(g, others, LOOK.place, 1);
  g.globalAlpha = 1;
}

/** Each solution with its number, as it stands in the list. */
function drawNumbers(g: CanvasRenderingContext2D, c: Camera, o: Overlay): void {
  if (o.solutions.length < 2) return;
  const used: [number, number][] = [];
  o.solutions.forEach((one, n) => {
    const at = numberPlace(c, one, used);
    if (!at) return;
    used.push(at);
    drawNumber(g, String(n + 1), at, n === o.taken);
  });
}

/** Where a solution's number stands: on the figure, in sight, away from the numbers that stand already. */
function numberPlace(c: Camera, one: Solution, used: readonly [number, number][]): [number, number] | null {
  const spots = spotsOn(one.figure)
    .map((at) => toScreen(c, at))
    .filter(([x, y]) => x >= 14 && y >= 14 && x <= c.width - 14 && y <= c.height - 14)
    .map((at) => ({ at, room: Math.min(60, ...used.map((u) => Math.hypot(u[0] - at[0], u[1] - at[1]))) }))
    .filter(({ room }) => room >= 14)
    .sort((a, b) => b.room - a.room);
  return spots[0]?.at ?? null;
}

function spotsOn(f: Figure): [number, number][] {
  if (f.kind === "point" && f.at) return [[f.at[0] ?? 0, f.at[1] ?? 0]];
  if (f.centre && f.radius) {
    const [x = 0, y = 0] = f.centre;
    const start = f.from ? Math.atan2((f.from[1] ?? 0) - y, (f.from[0] ?? 0) - x) : Math.PI / 2;
    const sweep = f.from ? ((f.sweep ?? 360) * Math.PI) / 180 : 2 * Math.PI;
    const radius = f.radius;
    return Array.from({ length: 16 }, (_, k) => {
      const t = start + (sweep * (k + (f.from ? 0.5 : 0))) / 16;
      return [x + radius * Math.cos(t), y + radius * Math.sin(t)];
    });
  }
  const from = f.from ?? f.through;
  if (!from) return [];
  const [x = 0, y = 0] = from;
  const turn = ((f.direction ?? 0) * Math.PI) / 180;
  const to = f.to ?? [x + 100 * Math.cos(turn), y + 100 * Math.sin(turn)];
  return [0.5, 0.35, 0.65, 0.2, 0.8].map((t) => [x + t * ((to[0] ?? 0) - x), y + t * ((to[1] ?? 0) - y)]);
}

function drawNumber(g: CanvasRenderingContext2D, text: string, [x, y]: [number, number], strong: boolean): void {
  g.font = strong ? `600 ${FONT}` : FONT;
  g.textAlign = "center";
  g.textBaseline = "middle";
  g.beginPath();
  g.arc(x, y, 9, 0, 2 * Math.PI);
  g.fillStyle = strong ? LOOK.place : LOOK.paper;
  g.fill();
  g.strokeStyle = LOOK.place;
  g.lineWidth = 1;
  g.stroke();
  g.fillStyle = strong ? LOOK.paper : LOOK.place;
  g.fillText(text, x, y + 0.5);
  g.textBaseline = "alphabetic";
}

/** Where the solution that is taken touches. */
function drawTouch(g: CanvasRenderingContext2D, c: Camera, at: readonly number[]): void {
  g.fillStyle = LOOK.place;
  g.beginPath();
  g.arc(...toScreen(c, at), 3, 0, 2 * Math.PI);
  g.fill();
}

/** A dot in a ring: the one mark of every snap. */
function drawPrick(g: CanvasRenderingContext2D, c: Camera, at: readonly number[], colour: string = LOOK.snap): void {
  const [sx, sy] = toScreen(c, at);
  g.strokeStyle = colour;
  g.lineWidth = 1.5;
  g.beginPath();
  g.arc(sx, sy, 6.5, 0, 2 * Math.PI);
  g.stroke();
  g.fillStyle = colour;
  g.beginPath();
  g.arc(sx, sy, 2, 0, 2 * Math.PI);
  g.fill();
}

/** The last place: a short flag beside it, so that it does not hide what is there. */
function drawLast(g: CanvasRenderingContext2D, c: Camera, at: readonly number[]): void {
  const [sx, sy] = toScreen(c, at);
  g.strokeStyle = LOOK.place;
  g.lineWidth = 1.25;
  g.beginPath();
  g.moveTo(sx, sy + 3);
  g.lineTo(sx - 5, sy + 11);
  g.lineTo(sx + 5, sy + 11);
  g.closePath();
  g.stroke();
}
