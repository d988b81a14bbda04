/** What lies over the figures (what is read there, what is chosen, what is carried) and under them; put together and painted. */
import type { Figure, Line } from "../api/types";
import { useBacking } from "../state/backing";
import { useDocument } from "../state/document";
import { type Shown, stepOf } from "../state/figures";
import { markedIn } from "../state/groups";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import type { Camera } from "./camera";
import { type Carried, drawPlacing } from "./carried";
import { drawLit, drawMarked, pointNameRects } from "./layers/figures";
import { drawBacking } from "./layers/backing";
import { drawGrid, drawPaper, drawScaleBar, scaleBarRect } from "./layers/grid";
import { drawAllNames } from "./layers/names";
import { drawOverlay, type Overlay } from "./layers/overlay";
import { isIdle } from "./tag";

export const NOTHING_OVER: Overlay = {
  preview: null,
  solutions: [],
  taken: 0,
  follows: [],
  last: null,
  place: null,
  sights: [],
  passed: [],
  working: [],
  frame: null,
  handles: [],
  held: -1,
  brush: null,
  carry: null,
  was: [],
};

/** Names are shown where somebody wants them always, and while something is typed that may name one. */
function namesWanted(): boolean {
  return usePreferences.getState().names || /[A-Za-z]/.test(useInterface.getState().text);
}

/** What a reading of what is in hand shows over the figures; what is looked at besides stays. */
export function overlayOf(line: Line, before: Overlay): Overlay {
  const { draft, mend, pull } = useInterface.getState();
  return {
    preview: mend && !draft && line.solutions.length < 2 ? null : line.preview,
    solutions: line.solutions,
    taken: line.taken,
    follows: line.follows.flatMap((f) => f.figure ?? []),
    last: draft ? line.last : null,
    place: line.tag && line.tag.kind !== "" && !isIdle(line) ? line.tag.at : null,
    sights: draft ? (line.tag?.sights ?? []) : [],
    passed: draft || pull !== null ? line.passed : [],
    working: before.working,
    was: before.was,
    frame: before.frame,
    // The handle that is pulled is where it would be let go.
    handles: line.handles.map((h, n) => (line.tag && n === pull ? { ...h, at: line.tag.at } : h)),
    held: pull ?? -1,
    brush: line.brush,
    carry: line.carry,
  };
}

interface Over {
  readonly overlay: Overlay;
  readonly instead: ReadonlyMap<string, Figure | null>;
  readonly carried: Carried;
  /** Where what was pasted would be put down. */
  readonly taken: readonly [number, number] | null;
}

/** What lies under the figures. */
export function paintUnder(g: CanvasRenderingContext2D, camera: Camera, datum: readonly number[]): void {
  const { backing, image } = useBacking.getState();
  drawPaper(g, camera);
  if (backing && image) drawBacking(g, camera, backing, image);
  drawGrid(g, camera, datum);
}

export function paintOverlay(
  g: CanvasRenderingContext2D,
  camera: Camera,
  figures: readonly Shown[],
  { overlay, instead, carried, taken }: Over,
): void {
  const { pointed, selected, others, trial, placing } = useInterface.getState();
  const { id, header } = useDocument.getState();
  const chosen = new Set([...others, pointed, selected]);
  g.clearRect(0, 0, camera.width, camera.height);
  drawMarked(g, camera, figures, markedIn(id));
  // What is carried is seen where it goes.
  if (overlay.carry) carried.draw(g, camera, overlay.carry, figures);
  else
    drawLit(
      g,
      camera,
      figures.filter((s) => chosen.has(s.id) && !instead.has(stepOf(s.id))),
    );
  if (placing && taken) drawPlacing(g, camera, placing.figures, taken);
  drawOverlay(g, camera, trial ? { ...overlay, preview: trial } : overlay);
  if (namesWanted()) {
    const lit = new Set(figures.filter((s) => chosen.has(s.id)).map((s) => s.name));
    drawAllNames(g, camera, figures, () => [scaleBarRect(camera), ...pointNameRects(camera, figures)], lit);
  }
  if (header) drawScaleBar(g, camera, header.unit);
}
