/**
 * What keys and clicks do. All that is in hand is one value; what it is shown as, and what can be done with it, is one reading of
 * it (`core/desk`). Here nothing is put together: what is done is an outcome of a reading, as it was shown.
 */
import {
  bringBack,
  chooseSolution,
  hold,
  pullHandle,
  setDraft,
  setLine,
  setRow,
  setText,
  showLine,
} from "../state/actions";
import type { Draft, Hand, Line } from "../api/types";
import type { Session } from "../session/session";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { stepOf } from "../state/figures";
import { kindOf } from "../state/kinds";
import { keepUnfinished, usePreferences } from "../state/preferences";
import { selectedIds } from "../state/selection";
import { Doing } from "./doing";
import { ELSEWHERE_PIXELS, type Entry, farFrom, type Given, heldNext, newId, type Pointer } from "./entry";
import * as queued from "./queue";
import { newDraft, Rows, untouched } from "./rows";
import { Hands } from "./hands";
import { painted } from "./painted";

export class OpenLine {
  pointer: Pointer = null;
  /** Whether the pointer was moved since the figure was begun, or something of it was chosen, and where it was then: it says which
   * of several solutions is meant, also while the last number is typed. */
  private aimed = false;
  private restedAt: Pointer = null;
  /** Resolves once what was read last is on the screen. */
  private seen: Promise<void> = Promise.resolve();
  /** The id that what is written next gets. */
  private id = newId();
  /** The rows of the figure being written or mended. */
  readonly rows = new Rows(this);
  /** What a pointer holds that is down. */
  readonly hands = new Hands();
  private readonly doing: Doing;

  constructor(
    readonly session: Session,
    private readonly onPointed: (line: Line) => void,
    /** Told whenever something was entered, or is done. */
    readonly onBusy: () => void = () => undefined,
  ) {
    this.doing = new Doing(this);
  }

  /** Whether something that was entered is not done yet. */
  get busy(): boolean {
    return this.doing.queue.entries.length > 0;
  }

  // What is in hand, and how it is shown ---------------------------------------------------------------

  /** All that is in hand, with what was in hand when a key was pressed. */
  hand(given: Given = {}): Hand {
    const { draft, text, mend, choice, pull } = useInterface.getState();
    const selected = selectedIds();
    const whole = {
      draft,
      text,
      mend: mend?.id ?? null,
      opened: untouched(),
      in_front_of: this.inFrontOf(),
      id: this.id,
      pen: usePreferences.getState().pen,
      pointer: this.pointer,
      aimed: this.aimed,
      choice,
      pull,
      ...this.hands.now,
      ...given,
    };
    // Only a word can begin something with all that is selected; while the pointer moves a thousand ids need not go with it.
    return { ...whole, selected: whole.text === "" ? selected.slice(0, 1) : [...selected] };
  }

  refresh(): void {
    this.session.read(this.hand());
  }

  /** The drawing is another one now: what stands here, or lies under the pointer, may come to something else. */
  again(): void {
    const { draft, text, mend } = useInterface.getState();
    if (text !== "" || draft || mend || this.pointer) this.refresh();
  }

  take(line: Line): void {
    this.onPointed(line);
    showLine(line);
    this.seen = painted();
  }

  /** The reading of what is in hand, with what was in hand when a key was pressed; it is shown before anything comes of it. */
  async reads(given: Given): Promise<Line | null> {
    const hand = this.hand(given);
    let line = this.session.shown(hand);
    if (!line) {
      line = await this.session.readNow(hand);
      if (line) this.take(line);
    }
    if (line) await this.seen;
    return line;
  }

  point(pointer: Pointer): void {
    this.pointer = pointer;
    this.hands.go(pointer);
    const { choice } = useInterface.getState();
    if (pointer && !this.aimed && farFrom(pointer, this.restedAt, choice === null ? undefined : ELSEWHERE_PIXELS)) {
      this.aimed = true;
      // What a drag is to state stays chosen, however far it goes.
      if (choice !== null && !this.hands.now.drag) chooseSolution(null);
    }
    this.refresh();
  }

  /** The pointer says nothing of solutions until it is moved again. */
  rest(): void {
    this.aimed = false;
    this.restedAt = this.pointer;
  }

  /** The step that the next one goes in front of; null for the end. */
  inFrontOf(): string | null {
    const { before } = useInterface.getState();
    return before !== null && useDocument.getState().byId.has(before) ? before : null;
  }

  /** Something was written: what is written next is something else. */
  written(): void {
    this.id = newId();
  }

  /** The pointer goes down to stroke over stretches. False where what is open is not done so. */
  strokeFrom(pointer: Pointer): boolean {
    if (!this.hands.strokeFrom(pointer)) return false;
    this.refresh();
    return true;
  }

  /** It comes up again: what was stroked over is done. Esc may have dropped it meanwhile. */
  strokeDone(): void {
    if (this.hands.now.stroke.length > 0) this.click();
  }

  // What stands on the line ----------------------------------------------------------------------------

  type(text: string): void {
    // Over a row that was opened one types, or points: what was pointed at before is over then.
    if (useInterface.getState().mend) this.rest();
    setText(text);
    this.refresh();
    this.keep();
  }

  /** One of the solutions by its number, as it stands in the list. */
  choose(which: number): void {
    this.rest();
    chooseSolution(which);
    this.refresh();
  }

  setDraft(draft: Draft | null): void {
    setLine(draft);
    this.refresh();
    this.keep();
  }

  /** Sets the draft without touching what is being typed meanwhile. */
  setKept(draft: Draft | null): void {
    if (!draft || draft.rows.length === 0 || draft.again) this.rest();
    setDraft(draft);
    this.refresh();
    this.keep();
  }

  restore(): void {
    const kept = usePreferences.getState().unfinished[this.session.drawing];
    // What was kept by an older table says less.
    if (kept) bringBack(kept.draft && { ...newDraft(kept.draft.kind), ...kept.draft }, kept.text);
    this.refresh();
  }

  keep(): void {
    const { draft, text, mend } = useInterface.getState();
    if (!mend) keepUnfinished(this.session.drawing, draft, text);
  }

  // What is entered ------------------------------------------------------------------------------------

  push(entry: Entry): void {
    this.doing.push(entry);
  }

  /** Enter: the row as it stands is read and done; what is typed meanwhile waits its turn. */
  enter(): void {
    const { text, draft, mend } = useInterface.getState();
    const { latest } = this.doing;
    // With nothing begun and nothing typed, another one of what was drawn last.
    if (text === "" && !draft && !mend && !this.busy && latest) this.begin(latest);
    else this.enters("enter");
  }

  /** A click on the surface, or letting go of what the pointer holds. */
  click(more = false): void {
    const pull = useInterface.getState().pull;
    this.enters("click", more);
    this.hands.release();
    if (pull !== null) pullHandle(null);
  }

  private enters(key: "enter" | "click", more = false): void {
    const hand = this.hand();
    const { text, pointer, opened, stroke, drag, carry, pull } = hand;
    const given =
      key === "enter"
        ? { text, opened, stroke, drag, carry, pull }
        : { text, pointer, opened, stroke, drag, carry, pull };
    const line = this.session.shown(hand);
    const shown = line ? { shown: { hand, outcome: key === "enter" ? line.enter : line.click } } : {};
    setRow("");
    this.push({ key, given, more, ...shown });
  }

  /** Escape: first what is typed, then the figure (a path that can be drawn is kept), then the selection. */
  escape(): void {
    const { text, mend, draft, placing } = useInterface.getState();
    if (placing) hold(null);
    else if (this.drop()) this.refresh();
    else if (text !== "" && !(mend && !draft) && !this.busy) this.strike();
    else this.push({ key: "escape" });
  }

  /** Drops what the pointer holds, or pulls; false where it holds nothing. */
  drop(): boolean {
    const pulls = useInterface.getState().pull !== null;
    if (pulls) pullHandle(null);
    return this.hands.drop() || pulls;
  }

  /** What is typed is gone, and the row is free for what waits behind it. */
  private strike(): void {
    this.type("");
    this.doing.goOn();
  }

  /** Backspace on an empty row takes back the last given; with none left, the figure itself. */
  backspace(): void {
    this.push({ key: "backspace" });
  }

  /** Takes back what is typed, else the last given of the figure that is begun, else the last change of the book. What was
   * entered before is done first: it may be what is meant. */
  undo(): void {
    const { text, mend } = useInterface.getState();
    if (mend) this.push({ key: "escape" });
    else if (text !== "") this.strike();
    else this.push({ key: "undo" });
  }

  /** The arrow keys step through the solutions or, where a click would state a given, through the readings of the pick. */
  turn(by: number): boolean {
    const { draft, text, mend } = useInterface.getState();
    // Escape may still wait for what was entered before it: what it leaves is left.
    if (queued.leaves(this.doing.queue) || (!draft && text.trim() === "" && !mend)) return false;
    this.push({ key: "turn", text, by });
    return true;
  }

  /** Tab holds the number that is typed and goes on to the other one: length, then direction. False where neither is wanted. */
  hold(): boolean {
    const { draft, text, mend } = useInterface.getState();
    const begun = (draft?.rows.length ?? 0) + this.doing.queue.entries.length > 0;
    const soon = queued.kindSoon(this.doing.queue, draft?.kind ?? "", (word) => kindOf(word) !== undefined);
    const next = mend || !begun ? null : heldNext(kindOf(soon)?.tab_order ?? null, text.trim());
    if (!next) return false;
    if (next.entered === undefined) this.type(next.text);
    else {
      setRow(next.text);
      this.push({ key: "enter", given: { text: next.entered, opened: false } });
    }
    return true;
  }

  /** Ctrl+Enter: what would work is put into the row, to be looked at and entered. False where nothing is offered. */
  takeSuggestion(): boolean {
    const { line, draft } = useInterface.getState();
    const better = line?.better;
    if (!better) return false;
    // Another kind of figure takes the place of what is begun.
    if (!better.draft && draft) this.put(better.statement);
    else this.type(better.statement);
    return true;
  }

  /** Puts a statement on the open line, to be looked at and changed; what was begun is left as with Escape. */
  put(text: string): void {
    if (useInterface.getState().draft) this.push({ key: "escape" });
    this.type(text);
  }

  /** Begins a kind of figure, once what was entered before is done. */
  begin(kind: string, rows?: readonly string[]): void {
    setRow("");
    this.push({ key: "begin", kind, ...(rows ? { rows } : {}) });
  }

  /** Does something once what was entered before is done: it may be what is selected then, or what is to be taken back. */
  inTurn(act: () => unknown): void {
    this.push({ key: "act", act });
  }

  /** Opens a step, or what is selected then, to be mended. Its rows are not waited for: Escape leaves it at once. */
  open(id: string | null, more = false): void {
    this.inTurn(() => {
      const { selected, draft } = useInterface.getState();
      const wanted = id ?? (selected !== null && !draft ? stepOf(selected) : null);
      if (wanted !== null) void this.rows.mend(wanted, more);
    });
  }
}
