/** The live session of one table: the connection, who answers what is asked, and what comes of what is done. */
import type { Act, Hand, Line, Opening, ServerMessage, Where } from "../api/types";
import { core as coreOfPage, type Core } from "../core/core";
import { loadBacking } from "../state/backing";
import { setConnection, takeBook, useDocument } from "../state/document";
import { takeOthers } from "../state/others";
import { usePreferences } from "../state/preferences";
import { keepingSelection } from "../state/selection";
import { loadWho } from "../state/who";
import type { Answer } from "./answer";
import { Changing } from "./changing";
import { dropEarly } from "./early";
import { fetchKept } from "./kept";
import { Reading } from "./reading";
import { Socket } from "./socket";
import { Whereabouts } from "./whereabouts";

/** Milliseconds that the first picture has to itself. */
const AFTER_PICTURE = 300;
/** Times in a row that what was kept of a large drawing may fail to come, before the server is asked for the whole of it. */
const MOST_IN_VAIN = 2;

export class Session {
  private socket: Socket | null = null;
  private seq = 0;
  private told = false;
  private whereabouts: Whereabouts | null = null;
  /** Whether the core beside has been asked to attend. */
  private attended = false;
  /** Whether the server has sent the drawing as it stands since it was reached. */
  private caughtUp = false;
  /** While what was kept of a large drawing is on its way: how to call that off, and what has come meanwhile. */
  private opening: { readonly off: AbortController; readonly meanwhile: ServerMessage[] } | null = null;
  private inVain = 0;
  private stopListening: (() => void) | null = null;
  private readonly reading: Reading;
  private readonly changing: Changing;

  constructor(
    readonly drawing: string,
    onLine: (line: Line) => void,
    /** Told whether anything asked of the server is not answered yet, whenever that changes. */
    private readonly onBusy: (busy: boolean) => void = () => undefined,
    /** Where one is, for the others at the drawing. */
    private readonly where: () => Where = () => ({ at: null, selected: [], mending: null }),
    private readonly core: Core | null = typeof Worker === "undefined" ? null : coreOfPage,
  ) {
    const number = () => ++this.seq;
    const send = (message: object) => this.socket?.send(message) ?? false;
    this.reading = new Reading(
      number,
      {
        core: (request) => {
          // It has to have come to what is shown.
          if (!this.core?.answersOf(useDocument.getState().revision)) return false;
          this.core.read(request);
          return true;
        },
        // Nothing is read before the drawing is there to be read.
        server: (request) => this.caughtUp && send(request),
      },
      onLine,
      () => useDocument.getState().byId,
    );
    this.changing = new Changing(
      drawing,
      { number, send, ready: () => this.socket?.ready === true, more: () => this.tell() },
      core,
    );
  }

  open(): void {
    const scheme = location.protocol === "https:" ? "wss" : "ws";
    const address = `${scheme}://${location.host}/api/drawings/${this.drawing}/live`;
    const now = () => (this.inVain < MOST_IN_VAIN ? address : `${address}?whole=true`);
    this.socket = new Socket(now, {
      message: (m) => {
        this.take(m);
        this.tell();
      },
      opened: () => this.whereabouts?.forget(),
      lost: () => this.lost(),
      shut: (why, signedOut) => {
        this.lost();
        this.changing.shut(why);
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
        this.reading.coreGaveUp();
      }
    });
    this.whereabouts = new Whereabouts(this.where, (where) => this.socket?.send({ ...where, type: "where" }) ?? false);
  }

  close(): void {
    this.callOff();
    this.socket?.close();
    this.socket = null;
    this.whereabouts?.close();
    this.stopListening?.();
    this.core?.leave();
    takeOthers([], 0);
  }

  /** Something that could not be kept is settled. */
  letGo(n: number): void {
    this.changing.letGo(n);
  }

  /** What is shown, where it is the reading of just this, on the drawing as it stands. */
  shown(hand: Hand): Line | null {
    return this.reading.shown(hand);
  }

  read(asked: Hand): void {
    this.reading.read(asked);
    this.tell();
  }

  readNow(asked: Hand): Promise<Line | null> {
    const answer = this.reading.readNow(asked);
    this.tell();
    return answer;
  }

  /** Does one act. Answers once it is committed or refused; over a lost connection it waits and is sent again. */
  act(act: Act): Promise<Answer> {
    const answer = this.changing.act(act);
    this.tell();
    return answer;
  }

  /** The core wakes once the first picture is there, and not before: nobody waits for it. */
  private attend(): void {
    // The table may be shut by then.
    if (!this.socket || !this.core || this.attended || usePreferences.getState().answering !== "page") return;
    this.attended = true;
    this.core.attend(
      this.drawing,
      (message) => {
        this.take(message);
        this.tell();
      },
      () => this.reading.coreGaveUp(),
    );
  }

  private tell(): void {
    const busy = this.reading.busy || this.changing.busy;
    if (busy === this.told) return;
    this.told = busy;
    this.onBusy(busy);
  }

  /** Shows what was kept of a large drawing, then does what came meanwhile. */
  private async show(opening: Opening): Promise<void> {
    const one = { off: new AbortController(), meanwhile: new Array<ServerMessage>() };
    this.opening = one;
    useDocument.setState({ name: opening.name });
    try {
      const progress = (done: number, steps: number) => useDocument.setState({ opening: { done, steps } });
      const book = await fetchKept(this.drawing, opening, progress, one.off.signal);
      if (this.opening !== one) return;
      this.opening = null;
      this.inVain = 0;
      keepingSelection(() => takeBook(book));
      // It takes the core a while to come to such a drawing.
      window.setTimeout(() => this.attend(), AFTER_PICTURE);
      for (const message of one.meanwhile) this.take(message);
      this.tell();
    } catch (error) {
      if (this.opening !== one) return;
      // A later one was kept meanwhile, or the way there broke: all begins again.
      console.warn(error);
      this.opening = null;
      this.inVain += 1;
      this.socket?.again();
    }
  }

  /** What is on its way of what was kept is not wanted any more. */
  private callOff(): void {
    const { opening } = this;
    this.opening = null;
    opening?.off.abort();
  }

  private take(message: ServerMessage): void {
    if (this.opening) {
      this.opening.meanwhile.push(message);
      return;
    }
    switch (message.type) {
      case "opening":
        void this.show(message);
        break;
      case "book":
        dropEarly();
        this.caughtUp = true;
        this.core?.follow(message);
        keepingSelection(() => takeBook(message));
        if (!this.attended) window.setTimeout(() => this.attend(), AFTER_PICTURE);
        this.changing.resume();
        this.reading.pump();
        break;
      case "line":
        this.reading.take(message);
        break;
      case "done":
        this.changing.done(message.seq, message.revision);
        break;
      case "refused":
        if (!this.changing.refused(message.seq, { ok: false, ...message })) this.reading.unread(message.seq);
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
      case "alive":
      case "echo":
        break;
    }
  }

  private lost(): void {
    this.callOff();
    this.caughtUp = false;
    setConnection("lost");
    takeOthers([], 0);
    this.reading.lost();
    this.changing.lost();
    this.tell();
  }
}
