/** Any figure, by its kind. */
import type { Figure } from "../../api/types";
import type { Camera } from "../camera";
import { seenFigure } from "../turned";
import { traceEllipse } from "./ellipse";
import { traceArc, traceCircle } from "./arc";
import { traceEndless, traceLine } from "./line";
import { tracePoint } from "./point";

const RADIANS = Math.PI / 180;

type Pair = readonly [number, number];
const pair = (value: number[] | null | undefined): Pair => [value?.[0] ?? NaN, value?.[1] ?? NaN];

/** Adds a figure's visible part to a path. */
export function traceFigure(path: Path2D, c: Camera, figure: Figure): void {
  traceSeen(path, c, seenFigure(c, figure));
}

function traceSeen(path: Path2D, c: Camera, figure: Figure): void {
  switch (figure.kind) {
    case "point":
      tracePoint(path, c, ...pair(figure.at));
      break;
    case "line":
      if (figure.through) {
        const way = (figure.direction ?? 0) * RADIANS;
        traceEndless(path, c, ...pair(figure.through), Math.cos(way), Math.sin(way));
      } else traceLine(path, c, ...pair(figure.from), ...pair(figure.to));
      break;
    case "circle":
      traceCircle(path, c, ...pair(figure.centre), figure.radius ?? 0);
      break;
    case "arc": {
      const [cx, cy] = pair(figure.centre);
      const [fx, fy] = pair(figure.from);
      traceArc(path, c, cx, cy, figure.radius ?? 0, Math.atan2(fy - cy, fx - cx), (figure.sweep ?? 0) * RADIANS);
      break;
    }
    case "ellipse":
      traceEllipse(path, c, pair(figure.centre), pair(figure.axes), figure.turned ?? 0, figure.part ?? null);
      break;
    case "outline":
    case "set":
    case "paper":
      for (const piece of figure.pieces ?? []) traceSeen(path, c, piece);
      break;
  }
}
