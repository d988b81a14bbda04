/** The picture of the figures as it was drawn last: moved at once with the paper, drawn sharp again when the paper rests. */
import type { Shown } from "../state/figures";
import type { Camera } from "./camera";
import { context } from "./context";
import { Damage } from "./damage";
import { drawFigures, mannerOf, type Manner, type Marks } from "./layers/figures";
import { toDrawing, toScreen } from "./turned";

/** A picture of which the tracing takes longer than this (ms) is not drawn anew for every move: to put it on the canvas takes many
 *  times as long, and only once nobody can measure it. */
const SLOW = 4;
const REST = 90;
const MOST_WAIT = 300;

export class Drawing {
  slow = false;
  readonly damage = new Damage();
  private drawn: Camera | null = null;
  private manner: Manner = { crowded: false, many: false, named: true };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private since = 0;
  /** How often all was drawn. */
  private wholes = 0;

  /** Draws the figures sharp: those that were touched where the rest is good as it is, else all. */
  paint(canvas: HTMLCanvasElement, camera: Camera, figures: readonly Shown[], marks: Marks): void {
    const manner = mannerOf(camera, figures);
    const part = this.damage.take(camera);
    // Where a step is mended, what stands behind it is drawn another way.
    if (part && marks.mended === null && this.stands(camera, manner))
      drawFigures(context(canvas), camera, figures, marks, manner, part);
    else this.sharp(canvas, camera, manner, () => drawFigures(context(canvas), camera, figures, marks, manner));
  }

  /** Whether the picture is good but for a part of it: of this view, in this manner, and of so much that it is worth to be kept. */
  private stands(camera: Camera, manner: Manner): boolean {
    const { crowded, many, named } = this.manner;
    const same = manner.crowded === crowded && manner.many === many && manner.named === named;
    return many && this.drawn === camera && same;
  }

  /** Remembers how long it took. */
  private sharp(canvas: HTMLCanvasElement, camera: Camera, manner: Manner, draw: () => void): void {
    clearTimeout(this.timer);
    this.since = 0;
    const begun = performance.now();
    draw();
    const took = performance.now() - begun;
    this.slow = took > SLOW;
    this.drawn = camera;
    this.manner = manner;
    canvas.style.transform = "";
    // For measurements of how long it takes, and how often it is done.
    canvas.dataset.took = took.toFixed(2);
    canvas.dataset.whole = String(++this.wholes);
  }

  /** Moves the picture as it is to where it belongs in another view. */
  move(canvas: HTMLCanvasElement, to: Camera): void {
    const from = this.drawn;
    if (!from || from.turn !== to.turn) return;
    const scale = to.scale / from.scale;
    const [x, y] = toScreen(to, toDrawing(from, 0, 0));
    canvas.style.transformOrigin = "0 0";
    canvas.style.transform = `translate(${x}px, ${y}px) scale(${scale})`;
  }

  /** Calls when the paper has rested for a moment, or has moved for long. */
  rest(then: () => void): void {
    const now = performance.now();
    if (this.since === 0) this.since = now;
    clearTimeout(this.timer);
    this.timer = setTimeout(then, Math.max(0, Math.min(REST, this.since + MOST_WAIT - now)));
  }

  close(): void {
    clearTimeout(this.timer);
  }
}
