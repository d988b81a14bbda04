/** What each pen draws like: pencil under the narrow lines, ink over all. Dashes are on paper, whatever the zoom. */
import type { Figure, Pen, Step } from "../../api/types";
import { useInterface } from "../../state/interface";
import type { Camera } from "../camera";
import { traceFigure } from "../figures";
import { LOOK } from "../look";

type PenName = Pen["word"];

interface Stroke {
  readonly width: number;
  /** Lengths of dashes and of what lies between, in pixels. */
  readonly dash: readonly number[];
}

/** In the order in which they are drawn. */
export const PENS: Readonly<Record<PenName, Stroke>> = {
  pencil: { width: 1, dash: [] },
  fine: { width: 1, dash: [] },
  hidden: { width: 1, dash: [7, 3.5] },
  axis: { width: 1, dash: [14, 3.5, 1, 3.5] },
  ink: { width: 1.75, dash: [] },
};

export type Paths = Readonly<Record<PenName, Path2D>>;

export function paths(): Paths {
  return { pencil: new Path2D(), fine: new Path2D(), hidden: new Path2D(), axis: new Path2D(), ink: new Path2D() };
}

/** The pen of a step; a newer one that this page does not know draws like ink. */
export function penOf(step: Pick<Step, "pen">): PenName {
  return step.pen in PENS ? (step.pen as PenName) : "ink";
}

const hasPens = (piece: Figure) => piece.pen ?? piece.kind === "set";

/** Traces a figure with its pen; of a set each member that has a pen of its own with that. */
export function traceInPens(drawn: Paths, c: Camera, pen: PenName, figure: Figure): void {
  const parted = figure.kind === "paper" || (figure.kind === "set" && figure.pieces?.some(hasPens));
  if (parted && figure.pieces)
    for (const piece of figure.pieces) traceInPens(drawn, c, piece.pen ? penOf({ pen: piece.pen }) : pen, piece);
  // Out of sight with the rest of the pencil.
  else if (pen !== "pencil" || useInterface.getState().pencil) traceFigure(drawn[pen], c, figure);
}

/** `thin` draws all as narrow as can be. */
export function strokePens(g: CanvasRenderingContext2D, drawn: Paths, thin = false): void {
  for (const [pen, { width, dash }] of Object.entries(PENS) as [PenName, Stroke][]) {
    g.setLineDash(dash);
    g.strokeStyle = pen === "pencil" ? LOOK.pencil : LOOK.ink;
    g.lineWidth = thin ? 1 : width;
    g.stroke(drawn[pen]);
  }
  g.setLineDash([]);
}
