/** What the way of the pointer says: places passed over, leaving an end sideways, going around a centre. */
import type { Draft, Line } from "../api/types";

const DWELL = 280;
const MOST_PASSED = 4;
/** Pixels about the last place: coming back into the smaller ring, then leaving the larger one, is a gesture. */
const NEAR = 9;
const LEFT = 26;
/** Degrees off the line within which leaving an end still follows it. */
const ALONG = 20;

interface Place {
  readonly x: number;
  readonly y: number;
  readonly pixel: number;
}

export class Gestures {
  /** Places and lines that were passed over, in words, the newest last. */
  passed: readonly string[] = [];
  swing = false;
  turned = 0;

  private over: string | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private last: readonly number[] | null = null;
  private leaving: number | null = null;
  private around: readonly number[] | null = null;
  private at: Place | null = null;
  private rows = "";
  /** When the pointer came back to the last place. */
  private came = 0;
  private visit: "away" | "fresh" | "back" = "fresh";

  constructor(
    private readonly onPassed: () => void,
    private readonly stepping: () => boolean,
  ) {}

  move(to: Place): void {
    if (this.around && this.at) this.turned += turn(this.around, this.at, to);
    this.at = to;
    if (!this.last || this.leaving === null) return;
    const [x = 0, y = 0] = this.last;
    const off = Math.hypot(to.x - x, to.y - y) / to.pixel;
    if (off <= NEAR && this.visit === "away") {
      this.visit = "back";
      this.came = performance.now();
    }
    if (off < LEFT || this.visit === "away") return;
    if (this.visit === "back") {
      const way = (Math.atan2(to.y - y, to.x - x) * 180) / Math.PI;
      // Resting there means the place, and not swinging about it.
      const rested = performance.now() - this.came > DWELL;
      this.swing = !rested && Math.abs(difference(way, this.leaving)) > ALONG;
    }
    this.visit = "away";
  }

  show(line: Line, draft: Draft | null, pulling: boolean): void {
    const rows = draft ? `${draft.kind}|${draft.rows.join("|")}` : "";
    if (rows !== this.rows) {
      this.rows = rows;
      this.swing = false;
      this.visit = "fresh";
      if (!draft || draft.rows.length === 0) this.forget();
    }
    this.last = line.last;
    this.leaving = line.leaving;
    if (line.around?.join() !== this.around?.join()) {
      // From the beginning of the arc to where the pointer is now, the short way; from there on it is followed.
      const [x = 0, y = 0] = line.last ?? [];
      this.turned = line.around && this.at ? turn(line.around, { x, y }, this.at) : 0;
    }
    this.around = line.around;
    this.pass(draft || pulling ? (line.tag?.passes ?? null) : null);
  }

  /** Sight lines end with the figure that they helped to place. */
  forget(): void {
    this.passed = [];
    this.turned = 0;
  }

  close(): void {
    clearTimeout(this.timer);
  }

  /** Resting for a moment over a place starts sight lines there; resting there again drops them. */
  private pass(words: string | null): void {
    if (words === this.over) return;
    this.over = words;
    clearTimeout(this.timer);
    if (words === null) return;
    this.timer = setTimeout(() => {
      // While the ways of taking it are stepped through, nothing new is added to them.
      if (this.stepping()) return;
      this.passed = this.passed.includes(words)
        ? this.passed.filter((one) => one !== words)
        : [...this.passed, words].slice(-MOST_PASSED);
      this.onPassed();
    }, DWELL);
  }
}

function turn(about: readonly number[], from: { x: number; y: number }, to: Place): number {
  const [x = 0, y = 0] = about;
  const a = Math.atan2(from.y - y, from.x - x);
  const b = Math.atan2(to.y - y, to.x - x);
  return difference((b * 180) / Math.PI, (a * 180) / Math.PI);
}

function difference(a: number, b: number): number {
  return ((((a - b) % 360) + 540) % 360) - 180;
}
