/** The surface's own loop: a camera, three layers, and one repaint a frame of those that changed. No pointer move renders React. */
import { pullHandle } from "../state/actions";
import type { Figure, Line, Step } from "../api/types";
import { useDocument } from "../state/document";
import { figureBy, figuresOf, inSight } from "../state/figures";
import { useInterface } from "../state/interface";
import { fitted, panned, resized, toDrawingX, toDrawingY, zoomed, type Box, type Camera } from "./camera";
import { drawPeople, fading } from "./layers/people";
import type { Overlay } from "./layers/overlay";
import { Carried } from "./carried";
import { context } from "./context";
import { Drawing } from "./drawing";
import { boxOf, Following } from "./following";
import { Gestures } from "./gestures";
import { NOTHING_OVER, overlayOf, paintOverlay, paintUnder } from "./over";
import { toDrawing, toScreen, withTurn } from "./turned";
import type { Pointer } from "../table/entry";
import { useOthers } from "../state/others";
import { useBacking } from "../state/backing";
import { usePreferences } from "../state/preferences";
import { snapping } from "../state/snapping";

const FIRST: Camera = { x: 0, y: 0, scale: 2, width: 1, height: 1, turn: 0 };
const MOST_SEEN = 50;
const LEAST_BOX = 6;
/** Milliseconds between two pictures of somebody who fades. */
const FADES = 500;
const HANDLE_PIXELS = 9;
const HOME: Box = [-20, -20, 220, 140];

/** What is seen over the figures when it changes. */
const OVER = ["pointed", "others", "selected", "trial", "placing", "was", "working"] as const;

export interface Canvases {
  readonly grid: HTMLCanvasElement;
  readonly figures: HTMLCanvasElement;
  readonly overlay: HTMLCanvasElement;
}

interface Pixel {
  readonly x: number;
  readonly y: number;
}

export class View {
  private camera: Camera = FIRST;
  private overlay: Overlay = NOTHING_OVER;
  private instead: ReadonlyMap<string, Figure | null> = new Map();
  private readonly dirty = new Set<"grid" | "figures" | "overlay">();
  private frame = 0;
  private fading = 0;
  private framed = false;
  private pointer: { x: number; y: number } | null = null;
  /** How far the handle that is pulled lies off where it was grasped. */
  private grip: readonly [number, number] = [0, 0];
  private level = false;
  private reading = 0;
  private readonly drawing = new Drawing();
  private readonly carried = new Carried();
  private readonly following = new Following(
    () => this.camera,
    (camera) => this.see(camera),
  );
  private readonly gestures = new Gestures(
    () => this.onPointer(),
    () => useInterface.getState().choice !== null,
  );
  /** Views to go back to, the newest last. */
  private readonly seen: Camera[] = [];
  private readonly stops: (() => void)[];

  constructor(
    private readonly box: HTMLElement,
    private readonly canvases: Canvases,
    private readonly onPointer: () => void,
  ) {
    this.stops = [
      useDocument.subscribe((now, before) => {
        if (now.steps !== before.steps || now.header !== before.header) {
          if (now.header !== before.header) this.turnWithDatum();
          if (this.framed && before.revision >= 0) this.following.placed(now.fresh);
          else if (now.revision >= 0) this.frameAll();
          this.touch("grid");
          if (now.former === null) this.touch("figures");
          else this.touchFigures([...now.former, ...now.fresh.flatMap((id) => now.byId.get(id) ?? [])]);
        }
      }),
      useOthers.subscribe(() => this.touch("overlay")),
      useBacking.subscribe(() => this.touch("grid", "overlay")),
      usePreferences.subscribe((now, before) => {
        if (now.names !== before.names || now.marked !== before.marked || now.together !== before.together)
          this.touch("overlay");
        if (now.look !== before.look) this.touch("grid", "figures", "overlay");
      }),
      useInterface.subscribe((now, before) => {
        if (OVER.some((key) => now[key] !== before[key])) this.touch("overlay");
        if (now.pencil !== before.pencil || now.mend !== before.mend) this.touch("figures", "overlay");
        if (now.was !== before.was) this.overlay = { ...this.overlay, was: now.was };
        // The handles of what is selected, and what may be taken, come with the next reading.
        if (now.selected !== before.selected || now.pencil !== before.pencil) this.onPointer();
        if (now.working !== before.working) {
          this.overlay = { ...this.overlay, working: (now.working?.shown.loci ?? []).map((l) => l.figure) };
          // Its lines cross in the centre, or at the place itself, which may lie far outside.
          const found = useDocument.getState().byId.get(now.working?.step ?? "")?.figure;
          this.following.shown(found?.centre ?? found?.at ?? []);
        }
      }),
    ];
  }

  close(): void {
    for (const stop of this.stops) stop();
    this.gestures.close();
    this.drawing.close();
    cancelAnimationFrame(this.frame);
    window.clearTimeout(this.fading);
  }

  // The view -----------------------------------------------------------------------------------------

  resize(width: number, height: number): void {
    this.camera = resized(this.camera, width, height);
    for (const canvas of Object.values(this.canvases) as HTMLCanvasElement[]) {
      canvas.width = Math.round(width * devicePixelRatio);
      canvas.height = Math.round(height * devicePixelRatio);
    }
    if (!this.framed && useDocument.getState().revision >= 0) this.frameAll();
    this.touch("grid", "figures", "overlay");
  }

  frameAll(): void {
    if (this.camera.width <= 1) return;
    if (this.framed) this.remember();
    this.framed = true;
    const all = figuresOf(useDocument.getState().steps).map((s) => s.figure);
    this.see(fitted(this.camera, boxOf(this.camera, all) ?? HOME));
  }

  /** The selected step, as large as it fits. */
  frameSelection(): void {
    const { selected, others } = useInterface.getState();
    const { byId } = useDocument.getState();
    const chosen = [selected ?? "", ...others].map((id) => figureBy(byId, id)?.figure ?? null);
    const box = boxOf(this.camera, chosen);
    if (!box) return;
    this.remember();
    this.see(fitted(this.camera, box));
  }

  /** A place in the middle of the view, with so much around it in sight that it can be told what is wrong there. */
  goTo(at: readonly number[], about: number): void {
    const [x = 0, y = 0] = at;
    this.remember();
    this.see(fitted(this.camera, [x - about, y - about, x + about, y + about]));
  }

  /** What lies between two pixels, as large as it fits. */
  frameBox(a: Pixel, b: Pixel): void {
    this.overlay = { ...this.overlay, frame: null };
    this.touch("overlay");
    if (Math.abs(a.x - b.x) < LEAST_BOX || Math.abs(a.y - b.y) < LEAST_BOX) return;
    this.remember();
    this.see(fitted(this.camera, this.boxBetween(a, b)));
  }

  /** The box between two pixels, while it is drawn: to be seen larger, or to choose what lies in it. */
  showFrame(a: Pixel | null, b: Pixel | null, choosing: boolean): void {
    this.overlay = { ...this.overlay, frame: a && b ? { box: [a.x, a.y, b.x, b.y], choosing } : null };
    this.touch("overlay");
  }

  /** Left, bottom, right and top of the box between two pixels, in the drawing. */
  boxBetween(a: Pixel, b: Pixel): Box {
    const x = (pixel: number) => toDrawingX(this.camera, pixel);
    const y = (pixel: number) => toDrawingY(this.camera, pixel);
    return [x(Math.min(a.x, b.x)), y(Math.max(a.y, b.y)), x(Math.max(a.x, b.x)), y(Math.min(a.y, b.y))];
  }

  /** The view before the last jump. */
  viewBefore(): void {
    const before = this.seen.pop();
    if (before) this.see(withTurn(resized(before, this.camera.width, this.camera.height), this.camera.turn));
  }

  private remember(): void {
    this.following.steered();
    this.seen.push(this.camera);
    if (this.seen.length > MOST_SEEN) this.seen.shift();
  }

  pan(dx: number, dy: number): void {
    this.following.steered();
    this.see(panned(this.camera, dx, dy));
  }

  /** Zooms about a pixel: the pointer's where it is over the surface, else the middle of the view. */
  zoom(factor: number, at = this.pointerPixel()): void {
    this.following.steered();
    this.see(zoomed(this.camera, factor, at.x, at.y));
  }

  /** The pixel that the pointer is over; the middle of the view where it is elsewhere. */
  pointerPixel(): Pixel {
    return this.pointer ?? { x: this.camera.width / 2, y: this.camera.height / 2 };
  }

  /** The size of a pixel, in the drawing's unit. */
  get pixel(): number {
    return 1 / this.camera.scale;
  }

  get turn(): number {
    return this.camera.turn;
  }

  get size(): { width: number; height: number } {
    return this.camera;
  }

  /** A datum along a sloping edge turns the view with it, where that is wanted. */
  turnWithDatum(): void {
    const turn = usePreferences.getState().turnView ? (useDocument.getState().header?.datum[2] ?? 0) : 0;
    this.see(withTurn(this.camera, turn));
  }

  private see(camera: Camera): void {
    if (camera === this.camera) return;
    this.camera = camera;
    // Where figures take long to draw, the picture of them moves at once and is drawn sharp when the paper rests.
    if (this.drawing.slow && this.framed) {
      this.drawing.move(this.canvases.figures, camera);
      this.drawing.rest(() => this.touch("figures"));
      this.touch("grid", "overlay");
    } else this.touch("grid", "figures", "overlay");
    this.onPointer();
  }

  // The pointer --------------------------------------------------------------------------------------

  movePointer(sx: number, sy: number, level: boolean): void {
    this.pointer = { x: sx, y: sy };
    this.level = level;
    const pixel = 1 / this.camera.scale;
    const [x, y] = toDrawing(this.camera, sx, sy);
    this.gestures.move({ x, y, pixel });
    this.onPointer();
  }

  leavePointer(): void {
    this.pointer = null;
    this.onPointer();
  }

  /** Takes hold of the handle at a pixel, if there is one. */
  holdsHandle(at: Pixel): boolean {
    return this.handleAt(at) >= 0;
  }

  /** The handle under a pixel is pulled from here on; how far off it was grasped is kept. */
  grab(at: Pixel): boolean {
    const found = this.handleAt(at);
    const handle = this.overlay.handles[found];
    if (!handle) return false;
    const [x, y] = toDrawing(this.camera, at.x, at.y);
    this.grip = [(handle.at[0] ?? 0) - x, (handle.at[1] ?? 0) - y];
    pullHandle(found);
    return true;
  }

  private handleAt(at: Pixel): number {
    return this.overlay.handles.findIndex((handle) => {
      const [x, y] = toScreen(this.camera, handle.at);
      return Math.hypot(x - at.x, y - at.y) <= HANDLE_PIXELS;
    });
  }

  /** A dimension, or a note, is put elsewhere from here on: it goes where the pointer is. */
  grabOnPaper(step: string | null): boolean {
    if (step === null) return false;
    this.grip = [0, 0];
    pullHandle(0, step);
    return true;
  }

  /** What pulling at the pointer would change, in words. */
  handleWords(): string | null {
    const { pull } = useInterface.getState();
    const found = pull ?? (this.pointer ? this.handleAt(this.pointer) : -1);
    return this.overlay.handles[found]?.words ?? null;
  }

  /** Where the pointer is in the drawing, and how far it reaches. */
  pointed(): Pointer {
    return this.pointer ? this.pointedAt(this.pointer) : null;
  }

  /** The special place under the pointer, else the very place of the pixel. */
  takenAt(at: Pixel): readonly [number, number] {
    const { place } = this.overlay;
    return place ? [place[0] ?? 0, place[1] ?? 0] : toDrawing(this.camera, at.x, at.y);
  }

  /** A place of the drawing as a pixel. */
  pixelAt(at: readonly number[]): readonly [number, number] {
    return toScreen(this.camera, at);
  }

  /** A pixel as a place of the drawing. */
  pointedAt(at: Pixel): NonNullable<Pointer> {
    const pixel = 1 / this.camera.scale;
    const { swing, turned, passed } = this.gestures;
    const [x, y] = toDrawing(this.camera, at.x, at.y);
    const [gx, gy] = useInterface.getState().pull === null ? [0, 0] : this.grip;
    return {
      x: x + gx,
      y: y + gy,
      reach: usePreferences.getState().snaps.reach * pixel,
      pixel,
      level: this.level,
      swing,
      turned,
      snapping: snapping(),
      passed: [...passed],
    };
  }

  // What is shown ------------------------------------------------------------------------------------

  show(line: Line): void {
    this.reading = line.seq;
    const { draft, pull } = useInterface.getState();
    this.gestures.show(line, draft, pull !== null);
    this.following.typed(line);
    const follows = new Map(line.follows.map((f) => [f.id, f.figure]));
    // Only which figures are left out matters below: how they follow is drawn over it.
    const { byId } = useDocument.getState();
    const either = new Set([...follows.keys(), ...this.instead.keys()]);
    const others = [...either].filter((id) => follows.has(id) !== this.instead.has(id));
    if (others.length > 0) this.touchFigures(others.flatMap((id) => byId.get(id) ?? []));
    this.instead = follows;
    this.overlay = overlayOf(line, this.overlay);
    this.touch("overlay");
  }

  /** Whether what is seen still waits for an answer. */
  showBusy(busy: boolean): void {
    this.box.ariaBusy = String(busy);
  }

  touch(...layers: ("grid" | "figures" | "overlay")[]): void {
    for (const layer of layers) this.dirty.add(layer);
    if (layers.includes("figures")) this.drawing.damage.all();
    if (this.frame === 0) this.frame = requestAnimationFrame(() => this.paint());
  }

  /** What is, or was, to be seen of some steps is painted anew. */
  private touchFigures(steps: readonly Step[]): void {
    this.drawing.damage.add(figuresOf(steps));
    this.dirty.add("figures");
    this.touch();
  }

  private paint(): void {
    this.frame = 0;
    const { steps, header, revision } = useDocument.getState();
    const { mend, pencil } = useInterface.getState();
    const figures = inSight(figuresOf(steps), pencil);
    if (this.dirty.has("grid") && header) paintUnder(context(this.canvases.grid), this.camera, header.datum);
    if (this.dirty.has("figures"))
      this.drawing.paint(this.canvases.figures, this.camera, figures, {
        instead: this.instead,
        mended: mend?.id ?? null,
      });
    if (this.dirty.has("overlay")) {
      paintOverlay(context(this.canvases.overlay), this.camera, figures, {
        overlay: this.overlay,
        instead: this.instead,
        carried: this.carried,
        taken: this.pointer && this.takenAt(this.pointer),
      });
      this.drawOthers(context(this.canvases.overlay), figures);
      // Which reading is in sight, for measurements.
      this.canvases.overlay.dataset.read = String(this.reading);
    }
    const { x, y, scale, turn } = this.camera;
    const camera = `${x} ${y} ${scale} ${turn}`;
    Object.assign(this.canvases.figures.dataset, { steps: String(steps.length), revision: String(revision), camera });
    this.dirty.clear();
  }

  /** Who else is here; drawn again while somebody who keeps still fades. */
  private drawOthers(g: CanvasRenderingContext2D, figures: ReturnType<typeof figuresOf>): void {
    const { others } = useOthers.getState();
    if (others.length === 0) return;
    const now = performance.now();
    drawPeople(g, this.camera, others, figures, now);
    window.clearTimeout(this.fading);
    if (fading(others, now)) this.fading = window.setTimeout(() => this.touch("overlay"), FADES);
  }
}
