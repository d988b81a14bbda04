/** Fingers on the surface: one draws like the pointer, two move and zoom the paper, one that rests opens the list. */
import type { Press } from "./press";

type Place = { readonly x: number; readonly y: number };

interface Paper {
  pan(dx: number, dy: number): void;
  zoom(factor: number, at: Place): void;
}

const REST = 550;
/** Further than a finger trembles while it rests. */
const TREMBLE = 10;

export class Touches {
  private readonly fingers = new Map<number, Place>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private from: Place = { x: 0, y: 0 };
  /** Whether the fingers that are down no longer draw: they moved the paper, or opened the list. */
  private taken = false;

  constructor(
    private readonly press: Pick<Press, "cancel">,
    private readonly paper: () => Paper | null,
    private readonly rests: (at: Place) => void,
  ) {}

  /** Answers whether the finger draws: then it is for the press. */
  down(id: number, at: Place): boolean {
    this.fingers.set(id, at);
    clearTimeout(this.timer);
    if (this.fingers.size > 1) {
      this.taken = true;
      this.press.cancel();
      return false;
    }
    this.from = at;
    this.taken = false;
    this.timer = setTimeout(() => {
      this.taken = true;
      this.press.cancel();
      this.rests(at);
    }, REST);
    return true;
  }

  move(id: number, at: Place): boolean {
    const before = this.fingers.get(id);
    if (!before) return true;
    if (Math.hypot(at.x - this.from.x, at.y - this.from.y) > TREMBLE) clearTimeout(this.timer);
    this.fingers.set(id, at);
    const other = [...this.fingers].find(([one]) => one !== id)?.[1];
    if (!other) return !this.taken;
    const paper = this.paper();
    const [was, is] = [Math.hypot(before.x - other.x, before.y - other.y), Math.hypot(at.x - other.x, at.y - other.y)];
    paper?.pan((at.x - before.x) / 2, (at.y - before.y) / 2);
    if (was > 0 && is > 0) paper?.zoom(is / was, { x: (at.x + other.x) / 2, y: (at.y + other.y) / 2 });
    return false;
  }

  /** Answers whether the finger drew up to here. */
  up(id: number): boolean {
    this.fingers.delete(id);
    clearTimeout(this.timer);
    return !this.taken;
  }
}
