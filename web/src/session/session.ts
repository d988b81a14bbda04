/** The live session of one table: reads of the open line (newest wins), changes (one after the other, never lost). */
import type { Act, Book, Line, ReadRequest, ServerMessage } from "../api/types";
import { loadBacking } from "../state/backing";
import { mayDraw, setConnection, takeBook, useDocument } from "../state/document";
import { followNames } from "../state/selection";
import { loadWho } from "../state/who";
import { Socket } from "./socket";

/** What is said of a change where the drawing may only be looked at. */
export const LOOKING_ONLY = "You may look at this drawing, not change it. Who owns it can let you draw.";

export type Answer =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly start: number; readonly end: number };

interface Pending {
  readonly seq: number;
  readonly act: Act;
  readonly resolve: (answer: Answer) => void;
}

type Reading = Omit<ReadRequest, "type" | "seq">;

export class Session {
  private socket: Socket | null = null;
  private seq = 0;
  private flying = false;
  private interrupted = false;
  private wanted: Reading | null = null;
  private readonly awaited = new Map<number, (line: Line | null) => void>();
  private readonly pending: Pending[] = [];
  private told = false;

  constructor(
    readonly drawing: string,
    private readonly onLine: (line: Line) => void,
    /** Told whether anything asked of the server is not answered yet, whenever that changes. */
    private readonly onBusy: (busy: boolean) => void = () => undefined,
  ) {}

  open(): void {
    const scheme = location.protocol === "https:" ? "wss" : "ws";
    this.socket = new Socket(`${scheme}://${location.host}/api/drawings/${this.drawing}/live`, {
      message: (m) => {
        this.take(m);
        this.tell();
      },
      opened: () => undefined,
      lost: () => this.lost(),
      shut: (why, signedOut) => {
        // What was not answered goes back to where it was written, and is kept there.
        this.lost();
        for (const { resolve } of this.pending.splice(0)) resolve(refusal(why));
        setConnection("gone", why);
        if (signedOut) void loadWho();
      },
    });
  }

  close(): void {
    this.socket?.close();
    this.socket = null;
  }

  /** Whether what was read last is what there is to read: nothing asked for is on its way. */
  get upToDate(): boolean {
    return !this.flying && this.wanted === null;
  }

  /** Reads the open line; an older reading that has not been sent yet is dropped. */
  read(reading: Reading): void {
    this.wanted = reading;
    this.pump();
  }

  /** Reads the open line and waits for the answer to this very reading. */
  readNow(reading: Reading): Promise<Line | null> {
    return new Promise((resolve) => {
      const seq = ++this.seq;
      if (!this.socket?.send({ ...reading, type: "read", seq })) resolve(null);
      else this.awaited.set(seq, resolve);
      this.tell();
    });
  }

  /** Does one act. Answers once it is committed or refused; over a lost connection it waits and is sent again. */
  act(act: Act): Promise<Answer> {
    if (!mayDraw()) return Promise.resolve(refusal(LOOKING_ONLY));
    return new Promise((resolve) => {
      const pending = { seq: ++this.seq, act, resolve };
      this.pending.push(pending);
      if (this.pending.length === 1) this.sendAct(pending);
      this.tell();
    });
  }

  private pump(): void {
    if (this.flying || this.wanted === null) return;
    if (this.socket?.send({ ...this.wanted, type: "read", seq: ++this.seq })) {
      this.flying = true;
      this.wanted = null;
      this.tell();
    }
  }

  private tell(): void {
    const busy = this.flying || this.awaited.size > 0 || this.pending.length > 0;
    if (busy === this.told) return;
    this.told = busy;
    this.onBusy(busy);
  }

  private sendAct(p: Pending): void {
    const base = useDocument.getState().revision;
    this.socket?.send({ type: "do", seq: p.seq, base, act: p.act });
  }

  private take(message: ServerMessage): void {
    switch (message.type) {
      case "book":
        this.takeBook(message);
        this.resume();
        this.pump();
        break;
      case "line": {
        const waiting = this.awaited.get(message.seq);
        if (waiting) {
          this.awaited.delete(message.seq);
          waiting(message);
        } else {
          this.flying = false;
          this.onLine(message);
          this.pump();
        }
        break;
      }
      case "done":
        this.settle(message.seq, { ok: true });
        break;
      case "refused":
        if (this.pending.some((p) => p.seq === message.seq)) this.settle(message.seq, { ok: false, ...message });
        else this.unread(message.seq);
        break;
      case "standing":
        useDocument.setState({ may: message.may });
        break;
      case "gone":
        setConnection("gone", "This drawing is not on the shelf; it may have been deleted.");
        break;
      case "backing":
        void loadBacking(this.drawing);
        break;
      case "echo":
        break;
    }
  }

  private takeBook(message: Book): void {
    const before = useDocument.getState().byId;
    takeBook(message);
    const { steps, byId } = useDocument.getState();
    followNames(before, steps, byId);
  }

  /** A reading that the server could not answer. */
  private unread(seq: number): void {
    const waiting = this.awaited.get(seq);
    this.awaited.delete(seq);
    if (waiting) waiting(null);
    else this.flying = false;
    this.pump();
  }

  private settle(seq: number, answer: Answer): void {
    const index = this.pending.findIndex((p) => p.seq === seq);
    if (index < 0) return;
    const [done] = this.pending.splice(index, 1);
    done?.resolve(answer);
    const next = this.pending[0];
    if (next) this.sendAct(next);
  }

  private lost(): void {
    setConnection("lost");
    this.flying = false;
    this.interrupted = true;
    for (const waiting of this.awaited.values()) waiting(null);
    this.awaited.clear();
    this.tell();
  }

  /** After a lost connection: what was committed unheard is done, everything else is sent again. */
  private resume(): void {
    const first = this.pending[0];
    if (!this.interrupted || !first) return;
    this.interrupted = false;
    if (isWritten(first.act)) this.settle(first.seq, { ok: true });
    else if (first.act.do === "undo" || first.act.do === "redo") {
      this.settle(first.seq, refusal("The connection was lost; look whether this was done before doing it again."));
    } else this.sendAct(first);
  }
}

/** Whether what an act writes stands in the book. */
function isWritten(act: Act): boolean {
  const { byId } = useDocument.getState();
  if (act.do === "write") return byId.has(act.id);
  const first = act.do === "write_all" ? act.entries.findIndex((entry) => entry.text !== "") : -1;
  return act.do === "write_all" && first >= 0 && byId.has(`${act.id}-${first}`);
}

function refusal(message: string): Answer {
  return { ok: false, message, start: 0, end: 0 };
}
