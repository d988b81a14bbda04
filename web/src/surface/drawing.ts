/** The picture of the figures as it was drawn last: moved at once with the paper, drawn sharp again when the paper rests. */
import type { Camera } from "./camera";
import { toDrawing, toScreen } from "./turned";

/** A picture of which the tracing takes longer than this (ms) is not drawn anew for every move: to put it on the canvas takes many
 *  times as long, and only once nobody can measure it. */
const SLOW = 4;
const REST = 90;
const MOST_WAIT = 300;

export class Drawing {
  slow = false;
  private drawn: Camera | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private since = 0;

  /** Draws sharp, and remembers how long it took. */
  sharp(canvas: HTMLCanvasElement, camera: Camera, draw: () => void): void {
    clearTimeout(this.timer);
    this.since = 0;
    const begun = performance.now();
    draw();
    const took = performance.now() - begun;
    this.slow = took > SLOW;
    this.drawn = camera;
    canvas.style.transform = "";
    // For whoever measures how long it takes.
    canvas.dataset.took = took.toFixed(2);
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
