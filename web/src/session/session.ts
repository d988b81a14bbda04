/** The live session of one table: reads of the open line (newest wins), changes (one after the other, never lost). */
import type { Act, Ahead, Book, Line, ReadRequest, ServerMessage, Where } from "../api/types";
import { core as coreOfPage, type Core } from "../core/core";
import { loadBacking } from "../state/backing";
import { mayDraw, setConnection, takeAhead, takeBook, useDocument } from "../state/document";
import { usePreferences } from "../state/preferences";
import { followNames } from "../state/selection";
import { loadWho } from "../state/who";
import { takeOthers } from "../state/others";
import { newId } from "../table/entry";
import { Socket } from "./socket";
import { Waiting, type Waits } from "./waiting";
import { Whereabouts } from "./whereabouts";

/** What is said of a change where the drawing may only be looked at. */
export const LOOKING_ONLY = "You may look at this drawing, not change it. Who owns it can let you draw.";

/** What is said of undoing what the server has while it cannot be reached. */
const UNDO_WAITS = "Nothing waits here to be taken back; what the server has is, once the connection is back.";
/** Milliseconds that the first picture has to itself. */
const AFTER_PICTURE = 300;

export type Answer =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly start: number; readonly end: number };

interface Pending {
  readonly seq: number;
  readonly act: Act;
  readonly resolve: (answer: Answer) => void;
  /** Where it is one of those that waited for the connection: the revision that it was done on. */
  readonly base?: number;
  /** And the steps that it is about. */
  readonly own?: readonly string[];
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
  private whereabouts: Whereabouts | null = null;
  /** Whether the core beside has been asked to attend. */
  private attended = false;
  private stopListening: (() => void) | null = null;
  /** What was done while the server could not be reached. */
  private readonly waiting: Waiting;
  private turn: Promise<unknown> = Promise.resolve();
  /** Whether what closed pages left was looked for. */
  private adopted = false;
  /** The act that is on its way. */
  private sent: number | null = null;
  /** Of steps that something that waited was about: the revision in which it was kept. */
  private readonly keptIn = new Map<string, number>();
  /** Readings that the core has and has not answered yet. */
  private readonly withCore = new Map<number, ReadRequest>();

  constructor(
    readonly drawing: string,
    private readonly onLine: (line: Line) => void,
    /** Told whether anything asked of the server is not answered yet, whenever that changes. */
    private readonly onBusy: (busy: boolean) => void = () => undefined,
    /** Where one is, for the others at the drawing. */
    private readonly where: () => Where = () => ({ at: null, selected: [], mending: null }),
    private readonly core: Core | null = typeof Worker === "undefined" ? null : coreOfPage,
  ) {
    this.waiting = new Waiting(drawing, newId());
  }

  open(): void {
    const scheme = location.protocol === "https:" ? "wss" : "ws";
    this.socket = new Socket(`${scheme}://${location.host}/api/drawings/${this.drawing}/live`, {
      message: (m) => {
        this.take(m);
        this.tell();
      },
      opened: () => this.whereabouts?.forget(),
      lost: () => this.lost(),
      shut: (why, signedOut) => {
        // What was not answered goes back to where it was written, and is kept there.
        this.lost();
        for (const { resolve } of this.pending.splice(0)) resolve(refusal(why));
        setConnection("gone", why);
        if (signedOut) void loadWho();
      },
    });
    this.stopListening = usePreferences.subscribe((now, before) => {
      if (now.answering === before.answering) return;
      this.attended = false;
      if (now.answering === "page") this.attend();
      else {
        this.core?.end();
        this.coreGaveUp();
      }
    });
    this.whereabouts = new Whereabouts(this.where, (where) => this.socket?.send({ ...where, type: "where" }) ?? false);
  }

  close(): void {
    this.socket?.close();
    this.socket = null;
    this.whereabouts?.close();
    this.stopListening?.();
    this.core?.leave();
    takeOthers([], 0);
  }

  /** Something that could not be kept is settled. */
  letGo(n: number): void {
    this.waiting.letGo(n);
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
      if (!this.ask({ ...reading, type: "read", seq })) resolve(null);
      else this.awaited.set(seq, resolve);
      this.tell();
    });
  }

  /** Does one act. Answers once it is committed or refused; over a lost connection it waits and is sent again. */
  act(act: Act): Promise<Answer> {
    if (!mayDraw()) return Promise.resolve(refusal(LOOKING_ONLY));
    if (this.alone) return this.goAhead(act, false);
    return new Promise((resolve) => {
      this.pending.push({ seq: ++this.seq, act, resolve });
      this.sendFirst();
      this.tell();
    });
  }

  private pump(): void {
    if (this.flying || this.wanted === null) return;
    if (this.ask({ ...this.wanted, type: "read", seq: ++this.seq })) {
      this.flying = true;
      this.wanted = null;
      this.tell();
    }
  }

  /** Whether the server cannot be reached and the core can go on without it. */
  private get alone(): boolean {
    return this.socket?.ready !== true && this.core?.answersOf(useDocument.getState().revision) === true;
  }

  /** Does an act ahead of the server; one after the other. */
  private goAhead(act: Act, sent: boolean): Promise<Answer> {
    const answer = this.turn.then(() => this.tryAhead(act, sent));
    this.turn = answer;
    return answer;
  }

  private async tryAhead(act: Act, sent: boolean): Promise<Answer> {
    const { waits } = this.waiting;
    const base = useDocument.getState().revision;
    if (act.do === "undo" && waits.length === 0) return refusal(UNDO_WAITS);
    const before = act.do === "undo" ? waits.slice(0, -1) : waits;
    const acts = before.map((w) => w.act);
    const found = await this.core?.ahead(act.do === "undo" ? acts : [...acts, act]);
    if (!found) return refusal("The connection is lost; this could not be done without it.");
    const refused = act.do === "undo" ? undefined : found.refused.find((r) => r.number === waits.length);
    // The connection may be back meanwhile, and with it the drawing as the server has it.
    const back = useDocument.getState().connection === "open";
    if (!back) this.showAhead(found);
    if (refused) return { ok: false, ...refused };
    const one: Waits = { act, base, own: found.own[waits.length] ?? [], sent };
    this.waiting.set(act.do === "undo" ? before : [...before, one]);
    if (back) this.flush();
    return { ok: true };
  }

  private showAhead(found: Ahead): void {
    const before = useDocument.getState().byId;
    takeAhead(found);
    const { steps, byId } = useDocument.getState();
    followNames(before, steps, byId);
  }

  /** The server is there: what waits goes to it, one after the other, behind what others did meanwhile. */
  private flush(): void {
    const { waits } = this.waiting;
    const under = this.pending.filter((p) => p.base !== undefined).length;
    const more = waits.slice(under).map(({ act, base, own }) => ({
      seq: ++this.seq,
      act,
      base,
      own,
      resolve: (answer: Answer) => this.waiting.settle(answer.ok ? null : answer.message),
    }));
    this.pending.splice(under, 0, ...more);
    this.sendFirst();
    this.tell();
  }

  /** Sends the first of what is to be done, one at a time, unless the server has it already; what waited comes before the rest. */
  private sendFirst(): void {
    const first = this.pending[0];
    if (!first || this.sent !== null) return;
    if (first.base === undefined && this.waiting.waits.length > 0) return;
    if (isWritten(first.act)) this.settle(first.seq, { ok: true });
    else this.sendAct(first);
  }

  /** Asks whoever answers now: the core beside, where it has come to what is shown, else the server. */
  private ask(request: ReadRequest): boolean {
    if (this.core?.answersOf(useDocument.getState().revision)) {
      this.withCore.set(request.seq, request);
      this.core.read(request);
      return true;
    }
    return this.socket?.send(request) ?? false;
  }

  /** The core wakes once the first picture is there, and not before: nobody waits for it. */
  private attend(): void {
    if (!this.core || this.attended || usePreferences.getState().answering !== "page") return;
    this.attended = true;
    this.core.attend(
      this.drawing,
      (message) => {
        if ("seq" in message) this.withCore.delete(message.seq);
        this.take(message);
        this.tell();
      },
      () => this.coreGaveUp(),
    );
  }

  /** What it has not answered the server is asked. */
  private coreGaveUp(): void {
    const left = [...this.withCore.values()];
    this.withCore.clear();
    for (const request of left) if (!this.socket?.send(request)) this.unread(request.seq);
  }

  private tell(): void {
    const busy = this.flying || this.awaited.size > 0 || this.pending.length > 0;
    if (busy === this.told) return;
    this.told = busy;
    this.onBusy(busy);
  }

  private sendAct(p: Pending): void {
    // What somebody else has changed since is not written over; what one did oneself meanwhile is known.
    const own = (p.own ?? []).flatMap((step) => this.keptIn.get(step) ?? []);
    const base = p.base === undefined ? useDocument.getState().revision : Math.max(p.base, ...own);
    if (this.socket?.send({ type: "do", seq: p.seq, base, act: p.act })) this.sent = p.seq;
  }

  private take(message: ServerMessage): void {
    switch (message.type) {
      case "book":
        this.core?.follow(message);
        this.takeBook(message);
        if (!this.attended) window.setTimeout(() => this.attend(), AFTER_PICTURE);
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
      case "done": {
        const done = this.pending.find((p) => p.seq === message.seq);
        for (const step of done?.own ?? []) this.keptIn.set(step, message.revision);
        this.settle(message.seq, { ok: true });
        break;
      }
      case "refused":
        if (this.pending.some((p) => p.seq === message.seq)) this.settle(message.seq, { ok: false, ...message });
        else this.unread(message.seq);
        break;
      case "standing":
        useDocument.setState({ may: message.may });
        break;
      case "others":
        takeOthers(message.others, performance.now());
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
    if (this.sent === seq) this.sent = null;
    done?.resolve(answer);
    this.sendFirst();
  }

  private lost(): void {
    setConnection("lost");
    takeOthers([], 0);
    this.flying = false;
    this.interrupted = true;
    this.sent = null;
    // What the core was asked it goes on answering.
    for (const [seq, waiting] of [...this.awaited]) {
      if (this.withCore.has(seq)) continue;
      this.awaited.delete(seq);
      waiting(null);
    }
    this.keepPending();
    this.tell();
  }

  /** What was on its way, and what stood behind it, waits, where the core can go on; else it is sent again as it stands. */
  private keepPending(): void {
    const under = this.pending.filter((p) => p.base !== undefined);
    if (under.length > 0) {
      // They stand among what waits: the first of them was on its way.
      const [first, ...rest] = this.waiting.waits;
      if (first) this.waiting.set([{ ...first, sent: true }, ...rest]);
      this.pending.splice(0, this.pending.length, ...this.pending.filter((p) => p.base === undefined));
    }
    if (!this.alone) return;
    this.pending.splice(0).forEach(({ act, resolve }, n) => {
      void this.goAhead(act, n === 0 && under.length === 0).then(resolve);
    });
  }

  /** After a lost connection: what was committed unheard is done, everything else is sent again. */
  private resume(): void {
    if (!this.adopted) this.waiting.adopt();
    this.adopted = true;
    const first = this.pending[0];
    const { interrupted } = this;
    this.interrupted = false;
    if (this.waiting.waits.length > 0) void this.turn.then(() => this.flush());
    else if (interrupted && (first?.act.do === "undo" || first?.act.do === "redo")) {
      this.settle(first.seq, refusal("The connection was lost; look whether this was done before doing it again."));
    } else this.sendFirst();
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
