/** What is asked of the open line: the newest wins. Whoever answers now is asked, the core beside or the server. */
import type { Line, ReadRequest } from "../api/types";

export type Asked = Omit<ReadRequest, "type" | "seq">;

/** Whoever can be asked; both may refuse to take a question. */
export interface Ask {
  readonly core: (request: ReadRequest) => boolean;
  readonly server: (request: ReadRequest) => boolean;
}

export class Reading {
  private flying = false;
  private wanted: Asked | null = null;
  private readonly awaited = new Map<number, (line: Line | null) => void>();
  /** Readings that the core has and has not answered yet. */
  private readonly withCore = new Map<number, ReadRequest>();

  constructor(
    private readonly number: () => number,
    private readonly ask: Ask,
    private readonly onLine: (line: Line) => void,
  ) {}

  /** Whether something that was asked is not answered. */
  get busy(): boolean {
    return this.flying || this.awaited.size > 0;
  }

  /** Whether what was read last is what there is to read: nothing asked for is on its way. */
  get upToDate(): boolean {
    return !this.flying && this.wanted === null;
  }

  /** Reads the open line; an older reading that has not been sent yet is dropped. */
  read(asked: Asked): void {
    this.wanted = asked;
    this.pump();
  }

  /** Reads the open line and waits for the answer to this very reading. */
  readNow(asked: Asked): Promise<Line | null> {
    return new Promise((resolve) => {
      const seq = this.number();
      if (!this.send({ ...asked, type: "read", seq })) resolve(null);
      else this.awaited.set(seq, resolve);
    });
  }

  /** Sends what is wanted, where nothing is on its way. */
  pump(): void {
    if (this.flying || this.wanted === null) return;
    if (this.send({ ...this.wanted, type: "read", seq: this.number() })) {
      this.flying = true;
      this.wanted = null;
    }
  }

  take(line: Line): void {
    this.withCore.delete(line.seq);
    const waiting = this.awaited.get(line.seq);
    if (waiting) {
      this.awaited.delete(line.seq);
      waiting(line);
    } else {
      this.flying = false;
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
    else this.flying = false;
    this.pump();
  }

  /** The server answers nothing any more; the core does what it was asked. */
  lost(): void {
    this.flying = false;
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
