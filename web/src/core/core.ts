/**
 * The core beside the drafter, as the table sees it: whether it can answer for the drawing as it stands, and what it answers.
 * It is woken once for all tables of a page; where it fails the server goes on answering.
 */
import { create } from "zustand";

import type { Act, Ahead, Book, ReadRequest, ServerMessage } from "../api/types";
import type { FromCore, Look, ToCore } from "./messages";

export type Standing = "off" | "waking" | "opening" | "ready" | "failed";

/** Its state, to be shown. */
export const useCore = create<{ standing: Standing; why: string; woken: number; opened: number }>()(() => ({
  standing: "off",
  why: "",
  woken: 0,
  opened: 0,
}));

if (typeof document !== "undefined")
  useCore.subscribe(({ standing, woken, opened }) => {
    // For measurements: the seconds that it took to wake, and to open the drawing.
    Object.assign(document.documentElement.dataset, { core: standing, woken: String(woken), opened: String(opened) });
  });

/** What the core needs of a worker. */
export interface Thread {
  postMessage(message: ToCore): void;
  terminate(): void;
  onmessage: ((event: MessageEvent<FromCore>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
}

export const threadOf = (): Thread => new Worker(new URL("./core.worker.ts", import.meta.url), { type: "module" });

export class Core {
  private thread: Thread | null = null;
  private drawing = "";
  /** The revision that it will have come to when it has done all that it was told; null while it must be opened. */
  private revision: number | null = null;
  private answered: (message: ServerMessage) => void = () => undefined;
  private gaveUp: () => void = () => undefined;
  private opening = false;
  /** Books that came while it was being opened. */
  private meanwhile: Book[] = [];
  /** Those that wait for what was done ahead, in the order in which they asked. */
  private looks = 0;
  private readonly looking = new Map<number, (found: unknown) => void>();
  private aheads: ((found: Ahead | null) => void)[] = [];

  constructor(private readonly make: () => Thread) {}

  /** For this drawing from here on; what it answers goes to `answered`, and `gaveUp` is called when it will answer no more. */
  attend(drawing: string, answered: (message: ServerMessage) => void, gaveUp: () => void): void {
    if (useCore.getState().standing === "failed") return;
    this.answered = answered;
    this.gaveUp = gaveUp;
    if (!this.thread) {
      useCore.setState({ standing: "waking", why: "" });
      this.thread = this.make();
      this.thread.onmessage = ({ data }) => this.take(data);
      this.thread.onerror = (event) => this.fail(event.message || "it could not be loaded");
    }
    this.drawing = drawing;
    this.open();
  }

  /** The table is shut: nothing is answered any more. */
  leave(): void {
    this.drawing = "";
    this.revision = null;
    this.opening = false;
    this.meanwhile = [];
    this.answered = () => undefined;
    this.gaveUp = () => undefined;
  }

  /** Ends it; another one may be woken. */
  end(): void {
    this.leave();
    this.thread?.terminate();
    this.thread = null;
    useCore.setState({ standing: "off", why: "" });
  }

  /** Whether it answers of a revision. */
  answersOf(revision: number): boolean {
    return this.revision !== null && this.revision === revision;
  }

  /** What the server says has become of the drawing. */
  follow(book: Book): void {
    if (this.drawing === "") return;
    if (this.opening) this.meanwhile.push(book);
    else if (this.revision !== null) this.follows(book);
  }

  read(request: ReadRequest): void {
    this.thread?.postMessage({ do: "read", seq: request.seq, asked: JSON.stringify(request) });
  }

  /** Does what waits, all of it, on top of what the server has. Null where it cannot any more. */
  ahead(acts: readonly Act[]): Promise<Ahead | null> {
    return new Promise((resolve) => {
      if (!this.thread || this.revision === null) {
        resolve(null);
        return;
      }
      this.aheads.push(resolve);
      this.thread.postMessage({ do: "ahead", acts: JSON.stringify(acts) });
    });
  }

  /** What a step has to show, of a revision. Null where it cannot say; a refusal is returned as one. */
  look(revision: number, what: Look, ...asked: string[]): Promise<unknown> {
    if (!this.thread || !this.answersOf(revision)) return Promise.resolve(null);
    const seq = ++this.looks;
    this.thread.postMessage({ do: "look", seq, what, asked: JSON.stringify(asked) });
    return new Promise((resolve) => this.looking.set(seq, resolve));
  }

  private open(): void {
    this.revision = null;
    this.opening = true;
    this.meanwhile = [];
    this.thread?.postMessage({ do: "open", drawing: this.drawing });
  }

  private follows({ since, revision, edits }: Book): void {
    if (this.revision === null || revision <= this.revision) return;
    if (since === null || since > this.revision) {
      this.open();
      return;
    }
    if (since < this.revision) {
      // It was opened in the midst of what this brings.
      this.open();
      return;
    }
    this.thread?.postMessage({ do: "follow", since, revision, edits: JSON.stringify(edits) });
    this.revision = revision;
  }

  private take(message: FromCore): void {
    switch (message.is) {
      case "ready":
        useCore.setState({ standing: "opening", woken: message.seconds });
        break;
      case "opened": {
        if (message.drawing !== this.drawing) return;
        this.opening = false;
        this.revision = message.revision;
        useCore.setState({ standing: "ready", opened: message.seconds });
        for (const book of this.meanwhile.splice(0)) this.follows(book);
        break;
      }
      case "behind":
        this.open();
        break;
      case "answer":
        this.answered(JSON.parse(message.answer) as ServerMessage);
        break;
      case "looked":
        this.looking.get(message.seq)?.(JSON.parse(message.found));
        this.looking.delete(message.seq);
        break;
      case "ahead":
        this.aheads.shift()?.(JSON.parse(message.found) as Ahead);
        break;
      case "failed":
        this.fail(message.why);
    }
  }

  private fail(why: string): void {
    const { gaveUp } = this;
    this.leave();
    for (const resolve of this.aheads.splice(0)) resolve(null);
    for (const resolve of this.looking.values()) resolve(null);
    this.looking.clear();
    this.thread?.terminate();
    this.thread = null;
    useCore.setState({ standing: "failed", why });
    gaveUp();
  }
}

/** That of this page. */
export const core = new Core(threadOf);
