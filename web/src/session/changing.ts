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

/** The message for a change where the drawing may only be looked at. */
export const LOOKING_ONLY = "You may look at this drawing, not change it. Who owns it can let you draw.";

/** The message for undoing what the server has while it cannot be reached. */
const UNDO_WAITS = "Nothing waits here to be taken back; what the server has is, once the connection is back.";
const WHETHER_DONE = "The connection was lost; look whether this was done once it is back.";
const ON_ITS_WAY = "Whether the server has this is not known before the connection is back; take it back then.";

interface Pending {
  readonly seq: number;
  /** What the server knows it by: sent again, it is not done again. */
  readonly key: string;
  readonly act: Act;
  readonly resolve: (answer: Answer) => void;
  /** The revision that it was done on; null before it is sent. */
  base: number | null;
  /** Where it is one of those that waited for the connection: the steps that it is about. */
  readonly own: readonly string[] | null;
}

/** What it needs of the connection. */
export interface Sending {
  readonly number: () => number;
  readonly ready: () => boolean;
  readonly send: (message: { type: "do"; seq: number; base: number; key: string; act: Act }) => boolean;
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
    if (this.alone) return this.goAhead(act, newId(), false);
    return new Promise((resolve) => {
      this.pending.push({ seq: this.sending.number(), key: newId(), act, resolve, base: null, own: null });
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
    this.sent = null;
    if (this.pending.some((p) => p.own)) {
      // They stand among what waits: the first of them was on its way.
      const [first, ...rest] = this.waiting.waits;
      if (first) this.waiting.set([{ ...first, sent: true }, ...rest]);
      this.pending.splice(0, this.pending.length, ...this.pending.filter((p) => !p.own));
    }
    if (!this.alone) return;
    for (const { key, act, resolve, base } of this.pending.splice(0)) {
      const sent = base !== null;
      if (sent && isTakingBack(act)) resolve(refusal(WHETHER_DONE));
      else void this.goAhead(act, key, sent).then(resolve);
    }
  }

  /** The book is there: what is not answered is sent, also what the server may have done unheard; it does nothing twice. */
  resume(): void {
    if (!this.adopted) this.waiting.adopt();
    this.adopted = true;
    if (this.waiting.waits.length > 0) void this.turn.then(() => this.flush());
    else this.sendFirst();
  }

  /** Whether the server cannot be reached and the core can go on without it. */
  private get alone(): boolean {
    return !this.sending.ready() && this.core?.answersOf(useDocument.getState().revision) === true;
  }

  /** Does an act ahead of the server; one after the other. */
  private goAhead(act: Act, key: string, sent: boolean): Promise<Answer> {
    const answer = this.turn.then(() => this.tryAhead(act, key, sent));
    this.turn = answer;
    return answer;
  }

  private async tryAhead(act: Act, key: string, sent: boolean): Promise<Answer> {
    const { waits } = this.waiting;
    const base = useDocument.getState().revision;
    if (act.do === "undo" && waits.length === 0) return refusal(UNDO_WAITS);
    if (act.do === "undo" && waits.at(-1)?.sent) return refusal(ON_ITS_WAY);
    const before = act.do === "undo" ? waits.slice(0, -1) : waits;
    const acts = before.map((w) => w.act);
    const found = await this.core?.ahead(act.do === "undo" ? acts : [...acts, act]);
    if (!found) return refusal("The connection is lost; this could not be done without it.");
    const refused = act.do === "undo" ? undefined : found.refused.find((r) => r.number === waits.length);
    // The connection may be back meanwhile, and with it the drawing as the server has it.
    const back = useDocument.getState().connection === "open";
    if (!back) keepingSelection(() => takeAhead(found));
    if (refused) return { ok: false, ...refused };
    const one: Waits = { act, key, base, own: found.own[waits.length] ?? [], sent };
    this.waiting.set(act.do === "undo" ? before : [...before, one]);
    if (back) this.flush();
    return { ok: true };
  }

  /** The server is there: what waits goes to it, one after the other, behind what others did meanwhile. */
  private flush(): void {
    const { waits } = this.waiting;
    const under = this.pending.filter((p) => p.own).length;
    const more = waits.slice(under).map(({ act, key, base, own }) => ({
      seq: this.sending.number(),
      key,
      act,
      base,
      own,
      resolve: (answer: Answer) => this.waiting.settle(answer.ok ? null : answer.message),
    }));
    this.pending.splice(under, 0, ...more);
    this.sendFirst();
    this.sending.more();
  }

  /** Sends the first of what is to be done, one at a time; what waited comes before the rest. */
  private sendFirst(): void {
    const first = this.pending[0];
    if (!first || this.sent !== null) return;
    if (!first.own && this.waiting.waits.length > 0) return;
    this.send(first);
  }

  private send(p: Pending): void {
    const now = useDocument.getState().revision;
    // What somebody else has changed since is not written over; what one did oneself meanwhile is known.
    const own = (p.own ?? []).flatMap((step) => this.keptIn.get(step) ?? []);
    const base = Math.max(p.base ?? now, ...own);
    if (!this.sending.send({ type: "do", seq: p.seq, base, key: p.key, act: p.act })) return;
    this.sent = p.seq;
    p.base ??= now;
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

const isTakingBack = ({ do: what }: Act): boolean => what === "undo" || what === "redo";
