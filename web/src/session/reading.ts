/** What is asked of the open line: the newest wins. The core in the page or the server answers, whichever is connected. */
import type { Hand, Line, ReadRequest } from "../api/types";

/** Those that can be asked; both may refuse to take a question. */
export interface Ask {
  readonly core: (request: ReadRequest) => boolean;
  readonly server: (request: ReadRequest) => boolean;
}

export class Reading {
  private flying: { readonly hand: Hand; readonly drawing: unknown } | null = null;
  private wanted: Hand | null = null;
  private readonly awaited = new Map<number, (line: Line | null) => void>();
  /** What was read last, and on which drawing: what is shown. */
  private last: { readonly hand: Hand; readonly line: Line; readonly drawing: unknown } | null = null;
  /** Readings that the core has and has not answered yet. */
  private readonly withCore = new Map<number, ReadRequest>();

  constructor(
    private readonly number: () => number,
    private readonly ask: Ask,
    private readonly onLine: (line: Line) => void,
    /** What tells one state of the drawing from another. */
    private readonly drawing: () => unknown,
  ) {}

  /** Whether something that was asked is not answered. */
  get busy(): boolean {
    return this.flying !== null || this.awaited.size > 0;
  }

  /** What is shown, where it is the reading of just this, on the drawing as it stands. */
  shown(hand: Hand): Line | null {
    const { last } = this;
    if (!last || this.wanted !== null || last.drawing !== this.drawing()) return null;
    return JSON.stringify(last.hand) === JSON.stringify(hand) ? last.line : null;
  }

  /** Reads the open line; an older reading that has not been sent yet is dropped. */
  read(asked: Hand): void {
    this.wanted = asked;
    this.pump();
  }

  /** Reads the open line and waits for the answer to this very reading. */
  readNow(asked: Hand): Promise<Line | null> {
    return new Promise((resolve) => {
      const seq = this.number();
      const drawing = this.drawing();
      if (!this.send({ ...asked, type: "read", seq })) resolve(null);
      else
        this.awaited.set(seq, (line) => {
          if (line) this.last = { hand: asked, line, drawing };
          resolve(line);
        });
    });
  }

  /** Sends what is wanted, where nothing is on its way. */
  pump(): void {
    if (this.flying || this.wanted === null) return;
    const asked = this.wanted;
    if (!this.send({ ...asked, type: "read", seq: this.number() })) return;
    this.flying = { hand: asked, drawing: this.drawing() };
    this.wanted = null;
  }

  take(line: Line): void {
    this.withCore.delete(line.seq);
    const waiting = this.awaited.get(line.seq);
    if (waiting) {
      this.awaited.delete(line.seq);
      waiting(line);
    } else {
      if (this.flying) this.last = { ...this.flying, line };
      this.flying = null;
      this.onLine(line);
      this.pump();
    }
  }

  /** A reading that could not be answered. */
  unread(seq: number): void {
    this.withCore.delete(seq);
    const waiting = this.awaited.get(seq);
    this.awaited.delete(seq);
    if (waiting) waiting(null);
    else this.flying = null;
    this.pump();
  }

  /** The server answers nothing any more; the core does what it was asked. */
  lost(): void {
    this.flying = null;
    for (const [seq, waiting] of [...this.awaited]) {
      if (this.withCore.has(seq)) continue;
      this.awaited.delete(seq);
      waiting(null);
    }
  }

  /** The core answers nothing any more: the server is asked what it has left. */
  coreGaveUp(): void {
    const left = [...this.withCore.values()];
    this.withCore.clear();
    for (const request of left) if (!this.ask.server(request)) this.unread(request.seq);
  }

  private send(request: ReadRequest): boolean {
    if (this.ask.core(request)) {
      this.withCore.set(request.seq, request);
      return true;
    }
    return this.ask.server(request);
  }
}
