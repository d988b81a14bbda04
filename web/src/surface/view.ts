/** The surface's own loop: a camera, three layers, and one repaint a frame of those that changed. No pointer move renders React. */
import type { Figure, Line } from "../api/types";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import type { Box, Camera } from "./camera";
import { brought, fitted, panned, resized, toDrawingX, toDrawingY, union, zoomed } from "./camera";
import { drawFigures, drawLit } from "./layers/figures";
import { drawGrid } from "./layers/grid";
import { drawOverlay, type Overlay } from "./layers/overlay";
import { Gestures } from "./gestures";
import type { Pointer } from "../table/entry";
import { usePreferences } from "../state/preferences";
import { snapping } from "../state/snapping";

const FIRST: Camera = { x: 0, y: 0, scale: 2, width: 1, height: 1 };
const MOST_SEEN = 50;
const LEAST_BOX = 6;
const HOME: Box = [-20, -20, 220, 140];

const NOTHING_OVER: Overlay = {
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
};

export interface Canvases {
  readonly grid: HTMLCanvasElement;
  readonly figures: HTMLCanvasElement;
  readonly overlay: HTMLCanvasElement;
}

export class View {
  private camera: Camera = FIRST;
  private overlay: Overlay = NOTHING_OVER;
  private instead: ReadonlyMap<string, Figure | null> = new Map();
  private readonly dirty = new Set<"grid" | "figures" | "overlay">();
  private frame = 0;
  private framed = false;
  private pointer: { x: number; y: number } | null = null;
  private level = false;
  private reading = 0;
  private readonly gestures = new Gestures(() => this.onPointer());
  /** Views to go back to, the newest last. */
  private readonly seen: Camera[] = [];
  private readonly stops: (() => void)[];

  constructor(
    private readonly canvases: Canvases,
    private readonly onPointer: () => void,
  ) {
    this.stops = [
      useDocument.subscribe((now, before) => {
        if (now.steps !== before.steps || now.header !== before.header) {
          if (this.framed) this.follow(now.fresh, before.revision);
          else if (now.revision >= 0) this.frameAll();
          this.touch("grid", "figures");
        }
      }),
      useInterface.subscribe((now, before) => {
        if (now.pointed !== before.pointed || now.selected !== before.selected) this.touch("overlay");
        if (now.mend !== before.mend) this.touch("figures", "overlay");
        if (now.working !== before.working) {
          this.overlay = { ...this.overlay, working: (now.working?.shown.loci ?? []).map((l) => l.figure) };
          this.touch("overlay");
        }
      }),
    ];
  }

  close(): void {
    for (const stop of this.stops) stop();
    this.gestures.close();
    cancelAnimationFrame(this.frame);
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
    this.see(fitted(this.camera, boxOf(useDocument.getState().steps.map((s) => s.figure)) ?? HOME));
  }

  /** The selected step, as large as it fits. */
  frameSelection(): void {
    const { selected } = useInterface.getState();
    const box = boxOf([useDocument.getState().byId.get(selected ?? "")?.figure ?? null]);
    if (!box) return;
    this.remember();
    this.see(fitted(this.camera, box));
  }

  /** What lies between two pixels, as large as it fits. */
  frameBox(a: { x: number; y: number }, b: { x: number; y: number }): void {
    this.overlay = { ...this.overlay, frame: null };
    this.touch("overlay");
    if (Math.abs(a.x - b.x) < LEAST_BOX || Math.abs(a.y - b.y) < LEAST_BOX) return;
    this.remember();
    const [x, y] = [toDrawingX(this.camera, Math.min(a.x, b.x)), toDrawingY(this.camera, Math.max(a.y, b.y))];
    const [u, v] = [toDrawingX(this.camera, Math.max(a.x, b.x)), toDrawingY(this.camera, Math.min(a.y, b.y))];
    this.see(fitted(this.camera, [x, y, u, v]));
  }

  showFrame(a: { x: number; y: number }, b: { x: number; y: number }): void {
    this.overlay = { ...this.overlay, frame: [a.x, a.y, b.x, b.y] };
    this.touch("overlay");
  }

  /** The view before the last jump. */
  viewBefore(): void {
    const before = this.seen.pop();
    if (before) this.see(resized(before, this.camera.width, this.camera.height));
  }

  private remember(): void {
    this.seen.push(this.camera);
    if (this.seen.length > MOST_SEEN) this.seen.shift();
  }

  pan(dx: number, dy: number): void {
    this.see(panned(this.camera, dx, dy));
  }

  /** Zooms about a pixel: the pointer's where it is over the surface, else the middle of the view. */
  zoom(factor: number, at = this.pointer ?? { x: this.camera.width / 2, y: this.camera.height / 2 }): void {
    this.see(zoomed(this.camera, factor, at.x, at.y));
  }

  get size(): { width: number; height: number } {
    return this.camera;
  }

  private see(camera: Camera): void {
    if (camera === this.camera) return;
    this.camera = camera;
    this.touch("grid", "figures", "overlay");
    this.onPointer();
  }

  /** What was just placed or changed is brought into sight. */
  private follow(fresh: readonly string[], revision: number): void {
    if (revision < 0) return;
    const { byId, steps } = useDocument.getState();
    const box = boxOf(fresh.map((id) => byId.get(id)?.figure ?? null));
    if (!box) return;
    this.see(brought(this.camera, box, boxOf(steps.map((s) => s.figure)) ?? box));
  }

  // The pointer --------------------------------------------------------------------------------------

  movePointer(sx: number, sy: number, level: boolean): void {
    this.pointer = { x: sx, y: sy };
    this.level = level;
    const pixel = 1 / this.camera.scale;
    this.gestures.move({ x: toDrawingX(this.camera, sx), y: toDrawingY(this.camera, sy), pixel });
    this.onPointer();
  }

  leavePointer(): void {
    this.pointer = null;
    this.onPointer();
  }

  /** Where the pointer is in the drawing, and how far it reaches. */
  pointed(): Pointer {
    if (!this.pointer) return null;
    const pixel = 1 / this.camera.scale;
    const { swing, turned, passed } = this.gestures;
    return {
      x: toDrawingX(this.camera, this.pointer.x),
      y: toDrawingY(this.camera, this.pointer.y),
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
    const { draft, mend } = useInterface.getState();
    this.gestures.show(line, draft);
    const follows = new Map(line.follows.map((f) => [f.id, f.figure]));
    // Only which figures are left out matters below: how they follow is drawn over it.
    if (follows.size !== this.instead.size || [...follows.keys()].some((id) => !this.instead.has(id)))
      this.touch("figures");
    this.instead = follows;
    this.overlay = {
      preview: mend && !draft && line.solutions.length < 2 ? null : line.preview,
      solutions: line.solutions,
      taken: line.taken,
      follows: [...follows.values()].filter((f) => f !== null),
      last: draft ? line.last : null,
      place: line.tag && line.tag.kind !== "" ? line.tag.at : null,
      sights: draft ? (line.tag?.sights ?? []) : [],
      passed: draft ? line.passed : [],
      working: this.overlay.working,
      frame: this.overlay.frame,
    };
    this.touch("overlay");
  }

  touch(...layers: ("grid" | "figures" | "overlay")[]): void {
    for (const layer of layers) this.dirty.add(layer);
    if (this.frame === 0) this.frame = requestAnimationFrame(() => this.paint());
  }

  private paint(): void {
    this.frame = 0;
    const { steps, header } = useDocument.getState();
    const { pointed, selected, mend } = useInterface.getState();
    if (this.dirty.has("grid") && header) {
      drawGrid(context(this.canvases.grid), this.camera, header.unit, header.datum);
    }
    if (this.dirty.has("figures")) {
      drawFigures(context(this.canvases.figures), this.camera, steps, {
        instead: this.instead,
        mended: mend?.id ?? null,
      });
    }
    if (this.dirty.has("overlay")) {
      const g = context(this.canvases.overlay);
      g.clearRect(0, 0, this.camera.width, this.camera.height);
      drawLit(
        g,
        this.camera,
        steps.filter((s) => (s.id === pointed || s.id === selected) && !this.instead.has(s.id)),
      );
      drawOverlay(g, this.camera, this.overlay);
      // Which reading is in sight, for whoever measures how long it took.
      this.canvases.overlay.dataset.read = String(this.reading);
    }
    this.canvases.figures.dataset.camera = `${this.camera.x} ${this.camera.y} ${this.camera.scale}`;
    this.dirty.clear();
  }
}

function context(canvas: HTMLCanvasElement): CanvasRenderingContext2D {
  const g = canvas.getContext("2d");
  if (!g) throw new Error("this browser has no canvas to draw on");
  g.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
  return g;
}

function boxOf(figures: readonly (Figure | null)[]): Box | null {
  return figures.reduce<Box | null>((box, f) => union(box, f?.box ? (f.box as unknown as Box) : null), null);
}
