/** What was entered is done, one after the other: each time an outcome of what is read for it then, as it is shown. */
import { chooseSolution, putBack, refuse, showRefused, showWaiting, keepWorking, writeBefore } from "../state/actions";
import type { Draft, Hand, Line, Outcome } from "../api/types";
import type { Session } from "../session/session";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import { unlocked } from "../state/groups";
import { choose, selectNothing } from "../state/selection";
import { breathes } from "./breath";
import { type Entry, enteredText, type Given, sameOutcome } from "./entry";
import * as queued from "./queue";
import { newDraft, type Rows, without } from "./rows";
import { doOrSay } from "./writing";

/** What it needs of the open line. */
interface Stands {
  readonly session: Pick<Session, "act">;
  readonly rows: Pick<Rows, "leave">;
  hand: (given: Given) => Hand;
  reads: (given: Given) => Promise<Line | null>;
  rest: () => void;
  refresh: () => void;
  keep: () => void;
  type: (text: string) => void;
  setKept: (draft: Draft | null) => void;
  written: () => void;
  onBusy: () => void;
}

type Taken = Extract<Entry, { readonly key: "enter" | "click" }>;

export class Doing {
  queue = queued.EMPTY;
  /** The kind of figure that was open last. */
  latest: string | null = null;
  private working = false;
  /** What the figures written since the kind was begun went on from, the newest last: taking one back goes back there. */
  private trail: Draft[] = [];

  constructor(private readonly line: Stands) {}

  push(entry: Entry): void {
    this.change({ to: "push", entry });
    this.goOn();
  }

  /** Does what waits, as far as nothing has to be mended first. */
  goOn(): void {
    void this.work();
  }

  private change(change: queued.Change): void {
    this.queue = queued.changed(this.queue, change);
    this.line.onBusy();
    showWaiting(queued.waiting(this.queue));
  }

  private async work(): Promise<void> {
    if (this.working) return;
    this.working = true;
    try {
      for (let entry = this.queue.entries[0]; entry; entry = this.queue.entries[0]) {
        if (!(await this.finish(entry))) return;
        this.change({ to: "done" });
      }
      const back = useInterface.getState().text === "" ? queued.comesBack(this.queue) : null;
      if (back !== null) {
        this.change({ to: "come back" });
        this.line.type(back);
      }
    } finally {
      this.working = false;
    }
  }

  /** Does one entry; answers false where it was put back to be mended. */
  private async finish(entry: Entry): Promise<boolean> {
    switch (entry.key) {
      case "enter":
      case "click":
        return this.takes(entry);
      case "begin":
        await this.begins(entry.kind, entry.rows);
        break;
      case "turn":
        await this.turned(entry.text, entry.by);
        break;
      case "escape":
        await this.leave();
        break;
      case "backspace":
        this.takeBack();
        break;
      case "undo":
        await this.undone();
        break;
      case "act":
        await this.acted(entry.act);
    }
    return true;
  }

  /** What cannot be done says why, and holds up nothing that was entered after it. */
  private async acted(act: () => unknown): Promise<void> {
    try {
      await act();
    } catch (error) {
      refuse(error instanceof Error ? error.message : String(error));
    }
  }

  /** Enter or a click: the outcome of what is read for what was in hand. */
  private async takes({ key, given, shown, more }: Taken): Promise<boolean> {
    const hand = this.line.hand(given);
    const line = await this.line.reads(given);
    const text = given.text ?? "";
    if (!line) return this.comesBack(text, null);
    const outcome = key === "click" ? line.click : line.enter;
    const asShown = shown && JSON.stringify(shown.hand) === JSON.stringify(hand);
    if (asShown && !sameOutcome(shown.outcome, outcome)) {
      // What it comes to now is on the screen; it is done when it is entered again.
      refuse("The drawing has changed meanwhile: this is what it comes to now. Enter it again to have it so.");
      return this.comesBack(text, line);
    }
    const nothing = outcome === null || (outcome.do === "nothing" && outcome.why === "");
    const done = nothing ? text.trim() === "" && line.problem === null : await this.does(outcome, more ?? false);
    if (!done) return this.comesBack(text, line);
    chooseSolution(null);
    if (key === "click") this.line.rest();
    return true;
  }

  /** Does what an outcome says, as it is. Answers whether it was taken. */
  private async does(outcome: Outcome, more: boolean): Promise<boolean> {
    const { mend, draft } = useInterface.getState();
    if (outcome.do === "select") {
      const { figure } = outcome;
      choose(figure !== null && unlocked([figure]).length > 0 ? figure : null, more);
      return true;
    }
    if (outcome.do === "nothing") {
      refuse(outcome.why);
      return true;
    }
    if (outcome.act && !(await this.write(outcome))) return false;
    if (mend && outcome.do === "write") {
      if (useInterface.getState().mend?.id === mend.id) this.line.rows.leave();
      return true;
    }
    const { kind = "", rows = [] } = outcome.draft ?? {};
    // What goes on from what is written goes back, with it, to what that went on from.
    if (outcome.do === "write" && rows.length > 0)
      this.trail.push(draft?.again ? draft : { ...newDraft(kind), again: true });
    this.setKept(outcome.draft);
    if (outcome.do === "type" && useInterface.getState().text === "") this.line.type(outcome.statement);
    return true;
  }

  private async write({ act }: Outcome): Promise<boolean> {
    if (!act) return true;
    const answer = await this.line.session.act(act);
    if (!answer.ok) refuse(answer.message, answer.start, answer.end);
    else this.line.written();
    return answer.ok;
  }

  private setKept(draft: Draft | null): void {
    if (draft) this.latest = draft.kind;
    this.line.setKept(draft);
  }

  private async begins(kind: string, rows?: readonly string[]): Promise<void> {
    // A chain that can be drawn is kept, as when it is left.
    const { draft, mend } = useInterface.getState();
    if (draft || mend) await this.leave();
    this.trail = [];
    if (rows) this.setKept({ ...newDraft(kind), rows: [...rows] });
    else {
      const line = await this.line.reads({ text: kind, opened: false });
      if (line) await this.does(line.enter, false);
      else refuse("The connection is lost; nothing can be begun until it is back.");
    }
  }

  /** Counts from what is shown for this very text: it may have been typed, and entered, faster than it was read. */
  private async turned(text: string, by: number): Promise<void> {
    const line = await this.line.reads({ text });
    const next = this.queue.entries[1];
    const entered = next?.key === "enter" && enteredText(next) === text;
    if (!line || (useInterface.getState().text !== text && !entered)) return;
    const picks = line.click !== null && line.picks.length > 1;
    if (!picks && line.solutions.length < 2) return;
    this.line.rest();
    chooseSolution((picks ? line.picked : line.taken) + by);
    this.line.refresh();
  }

  private takeBack(): void {
    const { draft, mend } = useInterface.getState();
    if (draft?.rows.length) this.setKept(without(draft, draft.rows.length - 1));
    else if (draft && !mend) this.setKept(null);
  }

  private async undone(): Promise<void> {
    const { draft } = useInterface.getState();
    if (draft?.rows.length && !draft.again) this.takeBack();
    else {
      // What goes on from the step that is taken back goes on from where that did.
      if (draft?.rows.length) this.setKept(this.trail.pop() ?? { ...draft, rows: [], clicks: [] });
      await doOrSay(this.line.session, { do: "undo" });
    }
    this.line.refresh();
  }

  private async leave(): Promise<void> {
    const { draft, mend } = useInterface.getState();
    if (mend) this.line.rows.leave();
    else if (!draft) {
      selectNothing();
      writeBefore(null);
      keepWorking(null);
    } else {
      if (kindOf(draft.kind)?.endless) {
        const line = await this.line.reads({ text: "" });
        if (line === null) {
          refuse("The connection is lost; what is written here is kept.");
          return;
        }
        if (!(await this.write(line.leave))) return;
      }
      this.setKept(null);
    }
  }

  /**
   * What could not be done says why, and goes back into the row once the hands rest; what was typed meanwhile is kept behind it.
   * Escape or undo right after it strikes it. Answers whether it is done with.
   */
  private async comesBack(text: string, line: Line | null): Promise<boolean> {
    if (line === null) refuse("The connection is lost; this will be read as soon as it is back.");
    else if (line.enter.do === "nothing" && line.problem) showRefused(line.problem);
    const { refused } = useInterface.getState();
    const second = () => this.queue.entries[1]?.key;
    await breathes(
      () => `${String(this.queue.entries.length)} ${useInterface.getState().text}`,
      () => (second() ?? "enter") !== "enter",
    );
    if (second() === "escape" || second() === "undo") {
      this.change({ to: "done" });
      showRefused(null);
      this.line.refresh();
      return true;
    }
    const acts = this.queue.entries.flatMap((entry) => (entry.key === "act" ? [entry.act] : []));
    this.change({ to: "put back", typedSince: useInterface.getState().text });
    putBack(text, refused);
    this.line.refresh();
    this.line.keep();
    // A word that was clicked meanwhile does not hang on what was typed, and is no click that is swallowed.
    for (const act of acts) await this.acted(act);
    return false;
  }
}
