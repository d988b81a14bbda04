/** What keys and clicks do to the open line. The server reads it; here it is only put together and taken apart. */
import type { Draft, Enter, Line, Problem, ReadRequest } from "../api/types";
import { Session } from "../session/session";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { stepOf } from "../state/figures";
import { kindOf } from "../state/kinds";
import { keepUnfinished, usePreferences } from "../state/preferences";
import { breathes } from "./breath";
import { type Drag, ELSEWHERE_PIXELS, dragEnd, dragWords, type Entry, farFrom, heldNext, type Pointer } from "./entry";
import * as queued from "./queue";
import { Rows, untouched, without } from "./rows";
import { Hands } from "./hands";
import { selectedFor } from "../state/selection";
import { doOrSay, mendStep, refuse, writeStep } from "./writing";

/** A kind with what is selected given to it; that gives way to anything else that is named. */
function withSelected(kind: string): Draft {
  const rows = selectedFor(kind);
  return { kind, rows, at: null, again: rows.length > 0 };
}

export class OpenLine {
  pointer: Pointer = null;
  /** Whether the pointer was moved since the figure was begun, or something of it was chosen, and where it was then: it says which
   * of several solutions is meant, also while the last number is typed. */
  private aimed = false;
  private restedAt: Pointer = null;
  /** The rows of the figure being written or mended. */
  readonly rows = new Rows(this);
  private working = false;
  /** The kind of figure that was open last. */
  private latest: string | null = null;
  /** What the figures written since the kind was begun went on from, the newest last: taking one back goes back there. */
  private trail: Draft[] = [];
  private dragging: Drag | null = null;
  private queue = queued.EMPTY;
  /** What a pointer does that is held down. */
  readonly hands = new Hands(this);

  constructor(
    readonly session: Session,
    private readonly onPointed: (line: Line) => void,
  ) {}

  /** Whether something that was entered is not done yet. */
  get busy(): boolean {
    return this.queue.entries.length > 0;
  }

  // What is read -------------------------------------------------------------------------------------

  point(pointer: Pointer): void {
    this.pointer = pointer;
    this.hands.go(pointer);
    const { choice } = useInterface.getState();
    if (pointer && !this.aimed && farFrom(pointer, this.restedAt, choice === null ? undefined : ELSEWHERE_PIXELS)) {
      this.aimed = true;
      // What a drag is to state stays chosen, however far it goes.
      if (choice !== null && !this.dragging) useInterface.setState({ choice: null });
    }
    this.refresh();
  }

  /** The arrow keys step through the solutions or, where a click would state a given, through the readings of the pick. */
  turn(by: number): boolean {
    const { draft, text, mend } = useInterface.getState();
    // Escape may still wait for what was entered before it: what it leaves is left.
    if (queued.leaves(this.queue) || (!draft && text.trim() === "" && !mend)) return false;
    this.push({ key: "turn", text, by });
    return true;
  }

  /** Counts from what is shown for this very text: it may have been typed, and entered, faster than it was read. */
  private async turned(text: string, by: number): Promise<void> {
    const line = await this.session.readNow(this.reading(text));
    const entered = this.queue.entries[1]?.text === text;
    if (!line || (useInterface.getState().text !== text && !entered)) return;
    const picks = line.click !== null && line.picks.length > 1;
    if (!picks && line.solutions.length < 2) return;
    this.rest();
    useInterface.setState({ choice: (picks ? line.picked : line.taken) + by });
    this.refresh();
  }

  /** Tab holds the number that is typed and goes on to the other one: length, then direction. False where neither is wanted. */
  hold(): boolean {
    const { draft, text, mend } = useInterface.getState();
    const begun = (draft?.rows.length ?? 0) + this.queue.entries.length > 0;
    const soon = queued.kindSoon(this.queue, draft?.kind ?? "", (word) => kindOf(word) !== undefined);
    const next = mend || !begun ? null : heldNext(kindOf(soon)?.held ?? null, text.trim());
    if (!next) return false;
    if (next.entered === undefined) this.type(next.text);
    else {
      useInterface.setState({ text: next.text });
      this.push({ key: "enter", text: next.entered });
    }
    return true;
  }

  /** Ctrl+Enter: what would work is put into the row, to be looked at and entered. False where nothing is offered. */
  takeSuggestion(): boolean {
    const better = useInterface.getState().line?.problem?.suggested;
    if (!better) return false;
    // Another kind of figure takes the place of what is begun.
    if (kindOf(better.split(" ")[0] ?? "") && !useInterface.getState().mend) this.put(better);
    else this.type(better);
    return true;
  }

  /** One of the solutions by its number, as it stands in the list. */
  choose(which: number): void {
    this.rest();
    useInterface.setState({ choice: which });
    this.refresh();
  }

  private rest(): void {
    this.aimed = false;
    this.restedAt = this.pointer;
  }

  type(text: string): void {
    // Over a row that was opened one types, or points: what was pointed at before is over then.
    if (useInterface.getState().mend) this.rest();
    useInterface.setState({ text, refused: null, choice: null, said: "" });
    this.refresh();
    this.keep();
  }

  refresh(): void {
    // A row that was only opened, and not typed in, would be picked again by pointing: that is what is shown.
    const again = this.aimed && this.pointer !== null && untouched();
    this.session.read(this.reading(again ? "" : useInterface.getState().text));
  }

  /** The drawing is another one now: what stands here, or lies under the pointer, may come to something else. */
  again(): void {
    const { draft, text, mend } = useInterface.getState();
    if (text !== "" || draft || mend || this.pointer) this.refresh();
  }

  take(line: Line): void {
    this.onPointed(line);
    useInterface.setState({ line });
  }

  reading(text: string): Omit<ReadRequest, "type" | "seq"> {
    const { draft, mend, choice, selected, pull } = useInterface.getState();
    const { aimed, pointer } = this;
    return {
      draft,
      text,
      mend: mend?.id ?? null,
      in_front_of: this.inFrontOf(),
      pointer,
      choice,
      aimed,
      selected,
      pull,
      stroke: this.hands.strokes.now,
      carry: this.hands.carries.now,
    };
  }

  /** The step that the next one goes in front of; null for the end. */
  inFrontOf(): string | null {
    const { before } = useInterface.getState();
    return before !== null && useDocument.getState().byId.has(before) ? before : null;
  }

  // What is done -------------------------------------------------------------------------------------

  /** Enter: the row as it stands is read once more and done; what is typed meanwhile waits its turn. */
  enter(): void {
    const { text, draft, mend } = useInterface.getState();
    // With nothing begun and nothing typed, another one of what was drawn last.
    if (text === "" && !draft && !mend && !this.busy && this.latest) {
      this.begin(this.latest);
      return;
    }
    useInterface.setState({ text: "" });
    this.push({ key: "enter", text });
  }

  /** Escape: first what is typed, then the figure (a path that can be drawn is kept), then the selection. */
  escape(): void {
    const { text, mend, draft, placing } = useInterface.getState();
    if (placing) useInterface.setState({ placing: null });
    else if (this.hands.drop()) this.refresh();
    else if (text !== "" && !(mend && !draft) && !this.busy) this.strike();
    else this.push({ key: "escape", text });
  }

  /** What is typed is gone, and the row is free for what waits behind it. */
  private strike(): void {
    this.type("");
    void this.work();
  }

  /** Backspace on an empty row takes back the last given; with none left, the figure itself. */
  backspace(): void {
    this.push({ key: "backspace", text: "" });
  }

  /** Takes back what is typed, else the last given of the figure that is begun, else the last change of the book. What was
   * entered before is done first: it may be what is meant. */
  undo(): void {
    const { text, mend } = useInterface.getState();
    if (mend) this.push({ key: "escape", text });
    else if (text !== "") this.strike();
    else this.push({ key: "undo", text: "" });
  }

  /** A click on the surface states the place under the pointer, unless something is typed: then it is Enter. */
  click(): void {
    const { text, mend, draft } = useInterface.getState();
    if (untouched()) {
      useInterface.setState({ text: "" });
      this.push({ key: "pick", text: "", pointer: this.pointer });
    } else if (mend && !draft) this.enter();
    else if (text.trim() === "") this.push({ key: "click", text: "", pointer: this.pointer });
    else {
      // A phrase that was begun is finished with what is under the pointer; anything else that is typed is entered.
      useInterface.setState({ text: "" });
      this.push({ key: "click", text, pointer: this.pointer });
    }
  }

  /** A drag states the two places it goes between; here the first of them. False where the figure takes only one. */
  dragFrom(pointer: Pointer): boolean {
    const { draft: open, text, line } = useInterface.getState();
    // A drag has two ends of its own, whatever the next one would go on from or have in common.
    const drag = open ? (kindOf(open.kind)?.drag ?? null) : null;
    const behind = drag?.behind ?? 0;
    const draft = open && (open.again || behind > 0) ? { ...open, rows: open.rows.slice(0, behind) } : open;
    this.dragging = text === "" && draft ? dragWords(drag, draft.rows.length, line) : null;
    if (this.dragging) {
      useInterface.setState({ draft });
      this.push({ key: "click", text: this.dragging.start, pointer, begins: true });
    }
    return this.dragging !== null;
  }

  dragTo(): void {
    const text = this.dragging ? dragEnd(this.dragging, useInterface.getState().line) : "";
    this.dragging = null;
    this.push({ key: "click", text, pointer: this.pointer });
  }

  /** Puts a statement on the open line, to be looked at and changed; what was begun is left as with Escape. */
  put(text: string): void {
    if (useInterface.getState().draft) this.push({ key: "escape", text: "" });
    this.type(text);
  }

  /** Begins a kind of figure, once what was entered before is done. */
  begin(kind: string, rows?: readonly string[]): void {
    useInterface.setState({ text: "" });
    this.push({ key: "begin", text: kind, ...(rows ? { rows } : {}) });
  }

  setDraft(draft: Draft | null): void {
    useInterface.setState({ draft, text: "", refused: null, line: null });
    this.refresh();
    this.keep();
  }

  restore(): void {
    const kept = usePreferences.getState().unfinished[this.session.drawing];
    if (kept) useInterface.setState({ draft: kept.draft, text: kept.text });
    this.refresh();
  }

  /** Does something once what was entered before is done: it may be what is selected then, or what is to be taken back. */
  inTurn(act: () => unknown): void {
    this.push({ key: "act", text: "", act });
  }

  /** Opens a step, or what is selected then, to be mended. Its rows are not waited for: Escape leaves it at once. */
  open(id: string | null, more = false): void {
    this.inTurn(() => {
      const { selected, draft } = useInterface.getState();
      const wanted = id ?? (selected !== null && !draft ? stepOf(selected) : null);
      if (wanted !== null) void this.rows.mend(wanted, more);
    });
  }

  // One entry after the other ------------------------------------------------------------------------

  push(entry: Entry): void {
    this.queue = queued.pushed(this.queue, entry);
    this.showWaiting();
    void this.work();
  }

  private async work(): Promise<void> {
    if (this.working) return;
    this.working = true;
    try {
      for (let entry = this.queue.entries[0]; entry; entry = this.queue.entries[0]) {
        if (!(await this.finish(entry))) return;
        this.queue = queued.done(this.queue);
        this.showWaiting();
      }
      const back = useInterface.getState().text === "" ? queued.comesBack(this.queue) : null;
      if (back) {
        this.queue = back.queue;
        this.type(back.text);
        this.showWaiting();
      }
    } finally {
      this.working = false;
    }
  }

  /** Does one entry; answers false where it was put back to be mended. */
  private async finish({ key, text, pointer, by, stroke, rows, more, begins, act }: Entry): Promise<boolean> {
    if (key === "backspace") this.takeBack();
    else if (key === "undo") await this.undone();
    else if (key === "act") await this.acted(act);
    else if (key === "turn") await this.turned(text, by ?? 1);
    else if (key === "escape") await this.leave();
    else if (key === "begin") {
      // A chain that can be drawn is kept, as when it is left.
      const { draft, mend } = useInterface.getState();
      if (draft || mend) await this.leave();
      this.trail = [];
      this.setKept(rows ? { kind: text, rows: [...rows], at: null, again: false } : withSelected(text));
    } else if (key === "stroke") await this.hands.write(pointer ?? null, stroke ?? []);
    else if (key === "choose") await this.hands.chosen(pointer ?? null, more ?? false);
    else if (key === "pick") await this.pickAgain(pointer ?? null);
    else if (key === "click" && text === "") await this.place(pointer ?? null);
    else {
      const line = await this.session.readNow({ ...this.reading(text), ...(pointer === undefined ? {} : { pointer }) });
      let click = key === "click" ? line?.click : null;
      if (begins && click?.do === "write") click = { ...click, do: "given" };
      const done = line !== null && (await this.does(click ?? line.enter, text, line.problem));
      if (done) useInterface.setState({ choice: null });
      return done || this.comesBack(text, line);
    }
    return true;
  }

  /** What cannot be done says why, and holds up nothing that was entered after it. */
  private async acted(act?: () => unknown): Promise<void> {
    try {
      await act?.();
    } catch (error) {
      refuse(error instanceof Error ? error.message : String(error));
    }
  }

  private async place(pointer: Pointer): Promise<void> {
    if (useInterface.getState().draft === null) return;
    const line = await this.session.readNow({ ...this.reading(""), pointer });
    useInterface.setState({ choice: null });
    this.rest();
    if (!line?.click) return;
    const beside = line.beside;
    if (beside !== null) useInterface.setState((i) => ({ beside: [...i.beside, beside] }));
    await this.does(line.click, "", line.problem);
  }

  /** A given of the step being mended is picked again: where nothing more is wanted, the step is mended with it. */
  private async pickAgain(pointer: Pointer): Promise<void> {
    const line = await this.session.readNow({ ...this.reading(""), pointer });
    if (!line?.click) return;
    const whole = line.click.statement !== "" && line.follows.length > 0;
    useInterface.setState({ choice: null });
    this.rest();
    await this.does(whole ? { ...line.click, do: "write" } : line.click, "", line.problem);
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
      if (draft?.rows.length) this.setKept(this.trail.pop() ?? { ...draft, rows: [] });
      await doOrSay(this.session, { do: "undo" });
    }
    this.refresh();
  }

  private async leave(): Promise<void> {
    const { draft, mend } = useInterface.getState();
    if (mend) this.rows.leave();
    else if (!draft) useInterface.setState({ selected: null, others: [], before: null, working: null });
    else {
      if (kindOf(draft.kind)?.endless) {
        const stands = await this.session.readNow(this.reading(""));
        if (stands === null) {
          refuse("The connection is lost; what is written here is kept.");
          return;
        }
        if (stands.enter.do === "write" && !(await this.write(stands.enter.statement))) return;
      }
      useInterface.setState({ beside: [] });
      this.setKept(null);
    }
  }

  /**
   * What could not be done says why, and goes back into the row once the hands rest; what was typed meanwhile is kept behind it.
   * Escape or undo right after it strikes it. Answers whether it is done with.
   */
  private async comesBack(text: string, line: Line | null): Promise<boolean> {
    if (line === null) refuse("The connection is lost; this will be read as soon as it is back.");
    else if (line.enter.do === "nothing" && line.problem) useInterface.setState({ refused: line.problem });
    const { refused } = useInterface.getState();
    const second = () => this.queue.entries[1]?.key;
    await breathes(
      () => `${String(this.queue.entries.length)} ${useInterface.getState().text}`,
      () => (second() ?? "enter") !== "enter",
    );
    if (second() === "escape" || second() === "undo") {
      this.queue = queued.done(this.queue);
      useInterface.setState({ refused: null });
      this.refresh();
      return true;
    }
    const acts = this.queue.entries.filter(({ key }) => key === "act");
    this.queue = queued.putBack(this.queue, useInterface.getState().text);
    // As one that is new: it is there to be typed over.
    useInterface.setState({ text, refused: refused && { ...refused } });
    this.showWaiting();
    this.refresh();
    this.keep();
    // A word that was clicked meanwhile does not hang on what was typed, and is no click that is swallowed.
    for (const { act } of acts) await this.acted(act);
    return false;
  }

  private showWaiting(): void {
    useInterface.setState({ waiting: queued.waiting(this.queue) });
  }

  /** Does what Enter does with an entry that has been read. Answers whether it was taken. */
  private async does(enter: Enter, text: string, problem: Problem | null): Promise<boolean> {
    const { mend } = useInterface.getState();
    if (mend && enter.do !== "given" && enter.do !== "type")
      return enter.do === "write" && this.acceptMend(enter.statement || text);
    switch (enter.do) {
      case "begin":
        // A verb begins with what is selected.
        this.setKept(enter.draft?.rows.length === 0 ? withSelected(enter.draft.kind) : enter.draft);
        return true;
      case "given":
        this.setKept(enter.draft);
        return true;
      case "type":
        if (enter.draft) this.setKept(enter.draft);
        if (useInterface.getState().text === "") this.type(enter.statement);
        return true;
      case "write":
      case "header":
        return this.write(enter.statement, enter.draft, enter.after);
      case "nothing":
        return problem === null && text.trim() === "";
    }
  }

  private async write(statement: string, draft: Draft | null = null, after?: Draft | null): Promise<boolean> {
    if (!(await writeStep(this.session, statement, this.inFrontOf()))) return false;
    // The kind of figure stays open for the next one, which may go on from this one.
    const open = useInterface.getState().draft;
    const kind = draft?.kind ?? open?.kind;
    if (after && kind) this.trail.push(open?.again ? open : { kind, rows: [], at: null, again: true });
    this.setKept(after ?? (kind ? { kind, rows: [], at: null, again: true } : null));
    return true;
  }

  private async acceptMend(text: string): Promise<boolean> {
    const { mend } = useInterface.getState();
    if (!mend || !(await mendStep(this.session, mend.id, mend.original, text))) return false;
    if (useInterface.getState().mend?.id === mend.id) this.rows.leave();
    return true;
  }

  /** Sets the draft without touching what is being typed meanwhile. */
  private setKept(draft: Draft | null): void {
    if (draft) this.latest = draft.kind;
    if (!draft || draft.rows.length === 0 || draft.again) this.rest();
    useInterface.setState({ draft, refused: null });
    this.refresh();
    this.keep();
  }

  private keep(): void {
    const { draft, text, mend } = useInterface.getState();
    if (!mend) keepUnfinished(this.session.drawing, draft, text);
  }
}
