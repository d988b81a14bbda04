/** Where the names of figures stand: each beside its own curve, none over another. */
import type { Figure } from "../../api/types";
import type { Shown } from "../../state/figures";
import type { Camera } from "../camera";
import { toScreenX, toScreenY } from "../camera";
import { FONT, LOOK } from "../look";
import { Sight } from "../sight";
import { seenFigure } from "../turned";

type Pair = readonly [number, number];
/** Left, top, right, bottom, in pixels. */
export type Rect = readonly [number, number, number, number];

interface Spot {
  /** On the curve, in pixels. */
  readonly at: Pair;
  /** The way that leads off it. */
  readonly way: Pair;
}

export interface Name {
  readonly text: string;
  readonly rect: Rect;
}

const RADIANS = Math.PI / 180;
const OFF = 6;
const HEIGHT = 14;
const MOST = 400;
/** So many figures are looked at that find no room: among more of them nobody would find a name. */
const MOST_WITHOUT = 1500;
const MOST_PIECES = 6;
const ROUND = [45, 135, 315, 225, 90, 0, 180, 270, 22, 68, 112, 158];
const ALONG = [0.5, 0.35, 0.65, 0.2, 0.8];

/** The names that fit: of each figure the first place beside it that is free. ``taken`` is where nothing may stand. */
export function placeNames(
  c: Camera,
  steps: readonly Shown[],
  width: (text: string) => number,
  taken: readonly Rect[],
): Name[] {
  const names: Name[] = [];
  const full = new Taken(taken);
  const sight = new Sight(c);
  let without = 0;
  for (const step of steps) {
    if (names.length >= MOST || without >= MOST_WITHOUT) break;
    // Points have theirs always.
    if (
      step.figure === null ||
      step.figure.kind === "paper" ||
      step.hidden ||
      step.name === "" ||
      step.kind === "point" ||
      sight.hides(step.figure)
    )
      continue;
    const w = width(step.name);
    const places = spots(c, seenFigure(c, step.figure)).map((spot) => beside(spot, w));
    const rect = places.find((place) => inside(c, place) && !full.meets(place));
    if (rect) {
      names.push({ text: step.name, rect });
      full.add(rect);
    } else without += 1;
  }
  return names;
}

let kept: { readonly c: Camera; readonly steps: readonly Shown[]; readonly names: readonly Name[] } | null = null;

/** Every name but those that are drawn otherwise. They are placed once for a view: every move of the pointer paints them again. */
export function drawAllNames(
  g: CanvasRenderingContext2D,
  c: Camera,
  steps: readonly Shown[],
  taken: () => readonly Rect[],
  otherwise: ReadonlySet<string>,
) {
  g.font = FONT;
  g.textAlign = "left";
  g.lineJoin = "round";
  g.lineWidth = 3;
  g.strokeStyle = LOOK.paper;
  g.fillStyle = LOOK.quiet;
  if (kept?.c !== c || kept.steps !== steps) {
    kept = { c, steps, names: placeNames(c, steps, (t) => g.measureText(t).width, taken()) };
  }
  for (const { text, rect } of kept.names) {
    if (otherwise.has(text)) continue;
    g.strokeText(text, rect[0], rect[3] - 3);
    g.fillText(text, rect[0], rect[3] - 3);
  }
}

function inside(c: Camera, [left, top, right, bottom]: Rect): boolean {
  return left >= 2 && top >= 2 && right <= c.width - 2 && bottom <= c.height - 2;
}

const CELL = 64;
const ACROSS = 128;

/** Where something stands already, by the cells that it lies in. */
class Taken {
  private readonly cells = new Map<number, Rect[]>();

  constructor(rects: readonly Rect[]) {
    for (const rect of rects) this.add(rect);
  }

  add(rect: Rect): void {
    for (const cell of cellsOf(rect)) {
      const there = this.cells.get(cell);
      if (there) there.push(rect);
      else this.cells.set(cell, [rect]);
    }
  }

  meets(rect: Rect): boolean {
    return cellsOf(rect).some((cell) => this.cells.get(cell)?.some((other) => meet(rect, other)) ?? false);
  }
}

/** What lies far out of sight is all in one. */
const cellAt = (pixel: number): number => Math.min(ACROSS - 1, Math.max(0, Math.floor(pixel / CELL) + 1));

function cellsOf([left, top, right, bottom]: Rect): number[] {
  const cells: number[] = [];
  const [first, last] = [cellAt(left), cellAt(right)];
  const [high, low] = [cellAt(top), cellAt(bottom)];
  for (let i = first; i <= last; i++) for (let j = high; j <= low; j++) cells.push(i * ACROSS + j);
  return cells;
}

function meet(a: Rect, b: Rect): boolean {
  return a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];
}

/** A text of some width beside a place, off its curve. */
function beside({ at: [x, y], way: [dx, dy] }: Spot, w: number): Rect {
  const [ax, ay] = [x + dx * OFF, y + dy * OFF];
  const left = ax + ((dx - 1) / 2) * w;
  const top = ay + ((dy - 1) / 2) * HEIGHT;
  return [left, top, left + w, top + HEIGHT];
}

function spots(c: Camera, f: Figure): Spot[] {
  const pixel = ([x, y]: Pair): Pair => [toScreenX(c, x), toScreenY(c, y)];
  const around = (centre: Pair, rx: number, ry: number, turn: number, angles: readonly number[]): Spot[] =>
    angles.map((angle) => {
      const [u, v] = [rx * Math.cos(angle * RADIANS), ry * Math.sin(angle * RADIANS)];
      const [cos, sin] = [Math.cos(turn * RADIANS), Math.sin(turn * RADIANS)];
      const [nx, ny] = [u / rx / rx, v / ry / ry];
      const size = Math.hypot(nx, ny) || 1;
      return {
        at: pixel([centre[0] + u * cos - v * sin, centre[1] + u * sin + v * cos]),
        way: [(nx * cos - ny * sin) / size, -(nx * sin + ny * cos) / size],
      };
    });
  const straight = (a: Pair, b: Pair): Spot[] => {
    const [p, q] = [pixel(a), pixel(b)];
    const size = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    const [nx, ny] = [(q[1] - p[1]) / size, -(q[0] - p[0]) / size];
    return ALONG.flatMap((t) =>
      [1, -1].map((side): Spot => {
        const at: Pair = [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])];
        return { at, way: [nx * side, ny * side] };
      }),
    );
  };
  const pair = (value: number[] | null | undefined): Pair => [value?.[0] ?? NaN, value?.[1] ?? NaN];
  switch (f.kind) {
    case "point":
      return around(pair(f.at), 1e-9, 1e-9, 0, [45, 315, 135, 225]);
    case "line": {
      if (!f.through) return straight(pair(f.from), pair(f.to));
      const [x, y] = pair(f.through);
      const way = (f.direction ?? 0) * RADIANS;
      const half = Math.min(c.width, c.height) / c.scale / 3;
      return straight(
        [x - half * Math.cos(way), y - half * Math.sin(way)],
        [x + half * Math.cos(way), y + half * Math.sin(way)],
      );
    }
    case "circle":
      return around(pair(f.centre), f.radius ?? 1, f.radius ?? 1, 0, ROUND);
    case "arc": {
      const [cx, cy] = pair(f.centre);
      const [fx, fy] = pair(f.from);
      const from = Math.atan2(fy - cy, fx - cx) / RADIANS;
      const angles = ALONG.map((t) => from + t * (f.sweep ?? 0));
      return around([cx, cy], f.radius ?? 1, f.radius ?? 1, 0, angles);
    }
    case "ellipse": {
      const [a, b] = pair(f.axes);
      const begin = f.part?.[0] ?? 0;
      const sweep = ((f.part?.[1] ?? 360) - begin + 360) % 360 || 360;
      const angles = f.part ? ALONG.map((t) => begin + t * sweep) : ROUND;
      return around(pair(f.centre), a, b, f.turned ?? 0, angles);
    }
    default:
      return (f.pieces ?? []).slice(0, MOST_PIECES).flatMap((piece) => spots(c, piece));
  }
}
