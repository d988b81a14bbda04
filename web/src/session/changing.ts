/**
 * What is done to the drawing: one act after the other, each answered once the server has kept or refused it. Over a lost
 * connection nothing is done twice and nothing is lost: it is done ahead in the page where the core can, and waits.
 */
import type { Act } from "../api/types";
import type { Core } from "../core/core";
import { mayDraw, takeAhead, useDocument } from "../state/document";
import { keepingSelection } from "../state/selection";
import { newId } from "../table/entry";
import { refusal, type Answer } from "./answer";
import { Waiting, type Waits } from "./waiting";

/** What is said of a change where the drawing may only be looked at. */
export const LOOKING_ONLY = "You may look at this drawing, not change it. Who owns it can let you draw.";

/** What is said of undoing what the server has while it cannot be reached. */
const UNDO_WAITS = "Nothing waits here to be taken back; what the server has is, once the connection is back.";
const WHETHER_DONE = "The connection was lost; look whether this was done before doing it again.";

interface Pending {
  readonly seq: number;
  readonly act: Act;
  readonly resolve: (answer: Answer) => void;
  /** Where it is one of those that waited for the connection: the revision that it was done on. */
  readonly base?: number;
  /** And the steps that it is about. */
  readonly own?: readonly string[];
}

/** What it needs of the connection. */
export interface Sending {
  readonly number: () => number;
  readonly ready: () => boolean;
  readonly send: (message: { type: "do"; seq: number; base: number; act: Act }) => boolean;
  /** Told when more waits for an answer. */
  readonly more: () => void;
}

export class Changing {
  private readonly pending: Pending[] = [];
  /** What was done while the server could not be reached. */
  private readonly waiting: Waiting;
  private turn: Promise<unknown> = Promise.resolve();
  /** Whether what closed pages left was looked for. */
  private adopted = false;
  private interrupted = false;
  /** The act that is on its way. */
  private sent: number | null = null;
  /** Of steps that something that waited was about: the revision in which it was kept. */
  private readonly keptIn = new Map<string, number>();

  constructor(
    drawing: string,
    private readonly sending: Sending,
    private readonly core: Core | null,
  ) {
    this.waiting = new Waiting(drawing, newId());
  }

  /** Whether something that was sent, or is to be, is not answered. */
  get busy(): boolean {
    return this.pending.length > 0;
  }

  /** Does one act. Answers once it is committed or refused; over a lost connection it waits and is sent again. */
  act(act: Act): Promise<Answer> {
    if (!mayDraw()) return Promise.resolve(refusal(LOOKING_ONLY));
    if (this.alone) return this.goAhead(act, false);
    return new Promise((resolve) => {
      this.pending.push({ seq: this.sending.number(), act, resolve });
      this.sendFirst();
    });
  }

  /** The server has kept it. */
  done(seq: number, revision: number): void {
    const done = this.pending.find((p) => p.seq === seq);
    for (const step of done?.own ?? []) this.keptIn.set(step, revision);
    this.settle(seq, { ok: true });
  }

  /** The server will not have it. False where it was none of these. */
  refused(seq: number, answer: Answer): boolean {
    const known = this.pending.some((p) => p.seq === seq);
    if (known) this.settle(seq, answer);
    return known;
  }

  /** Something that could not be kept is settled. */
  letGo(n: number): void {
    this.waiting.letGo(n);
  }

  /** The server will never have what is left; it goes back to where it was written, and is kept there. */
  shut(why: string): void {
    for (const { resolve } of this.pending.splice(0)) resolve(refusal(why));
  }

  /** What was on its way, and what stood behind it, waits, where the core can go on; else it is sent again as it stands. */
  lost(): void {
    this.interrupted = true;
    this.sent = null;
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

  /** The book is there. After a lost connection what was committed unheard is done, everything else is sent again. */
  resume(): void {
    if (!this.adopted) this.waiting.adopt();
    this.adopted = true;
    const first = this.pending[0];
    const { interrupted } = this;
    this.interrupted = false;
    if (this.waiting.waits.length > 0) void this.turn.then(() => this.flush());
    else if (interrupted && (first?.act.do === "undo" || first?.act.do === "redo"))
      this.settle(first.seq, refusal(WHETHER_DONE));
    else this.sendFirst();
  }

  /** Whether the server cannot be reached and the core can go on without it. */
  private get alone(): boolean {
    return !this.sending.ready() && this.core?.answersOf(useDocument.getState().revision) === true;
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
    if (!back) keepingSelection(() => takeAhead(found));
    if (refused) return { ok: false, ...refused };
    const one: Waits = { act, base, own: found.own[waits.length] ?? [], sent };
    this.waiting.set(act.do === "undo" ? before : [...before, one]);
    if (back) this.flush();
    return { ok: true };
  }

  /** The server is there: what waits goes to it, one after the other, behind what others did meanwhile. */
  private flush(): void {
    const { waits } = this.waiting;
    const under = this.pending.filter((p) => p.base !== undefined).length;
    const more = waits.slice(under).map(({ act, base, own }) => ({
      seq: this.sending.number(),
      act,
      base,
      own,
      resolve: (answer: Answer) => this.waiting.settle(answer.ok ? null : answer.message),
    }));
    this.pending.splice(under, 0, ...more);
    this.sendFirst();
    this.sending.more();
  }

  /** Sends the first of what is to be done, one at a time, unless the server has it already; what waited comes before the rest. */
  private sendFirst(): void {
    const first = this.pending[0];
    if (!first || this.sent !== null) return;
    if (first.base === undefined && this.waiting.waits.length > 0) return;
    if (isWritten(first.act)) this.settle(first.seq, { ok: true });
    else this.send(first);
  }

  private send(p: Pending): void {
    // What somebody else has changed since is not written over; what one did oneself meanwhile is known.
    const own = (p.own ?? []).flatMap((step) => this.keptIn.get(step) ?? []);
    const base = p.base === undefined ? useDocument.getState().revision : Math.max(p.base, ...own);
    if (this.sending.send({ type: "do", seq: p.seq, base, act: p.act })) this.sent = p.seq;
  }

  private settle(seq: number, answer: Answer): void {
    const index = this.pending.findIndex((p) => p.seq === seq);
    if (index < 0) return;
    const [done] = this.pending.splice(index, 1);
    if (this.sent === seq) this.sent = null;
    done?.resolve(answer);
    this.sendFirst();
  }
}

/** Whether what an act writes stands in the book. */
function isWritten(act: Act): boolean {
  const { byId } = useDocument.getState();
  if (act.do === "write") return byId.has(act.id);
  const first = act.do === "write_all" ? act.entries.findIndex((entry) => entry.text !== "") : -1;
  return act.do === "write_all" && first >= 0 && byId.has(`${act.id}-${first}`);
}
