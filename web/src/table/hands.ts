/** What a pointer does between going down and coming up that the server reads as it goes: stroking over stretches, carrying. */
import type { ReadRequest } from "../api/types";
import type { Session } from "../session/session";
import { useDocument } from "../state/document";
import { unlocked } from "../state/groups";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import { choose, selectedIds } from "../state/selection";
import { putDown } from "./clipboard";
import type { Entry, Pointer } from "./entry";
import { mendStep, refuse, writeAll, writeStep } from "./writing";

export type Path = ReadRequest["stroke"] & object;

export class Strokes {
  /** Places of the drawing, one after the other; none while nothing is stroked. */
  private path: Path = [];

  get now(): Path {
    return [...this.path];
  }

  /** The pointer goes down. False where what is open is not done by stroking, or something is given to it already. */
  begin(pointer: Pointer): boolean {
    const { draft, text, mend } = useInterface.getState();
    if (!pointer || !draft || mend || draft.rows.length > 0 || text !== "" || !kindOf(draft.kind)?.brush) return false;
    this.path = [[pointer.x, pointer.y]];
    return true;
  }

  go(pointer: Pointer): void {
    if (pointer && this.path.length > 0) this.path.push([pointer.x, pointer.y]);
  }

  /** The pointer comes up, or what it did is dropped. */
  end(): Path {
    const { path } = this;
    this.path = [];
    return path;
  }
}

/** What is selected, dragged from where the pointer went down. */
export class Carries {
  copied = false;
  private from: { readonly figures: string[]; readonly x: number; readonly y: number } | null = null;

  get now(): ReadRequest["carry"] {
    return this.from && { ...this.from, copied: this.copied };
  }

  begin(pointer: Pointer): void {
    this.from = pointer ? { figures: [...selectedIds()], x: pointer.x, y: pointer.y } : null;
  }

  end(): void {
    this.from = null;
  }
}

function chooseOne(figure: string | null, more: boolean): void {
  choose(figure !== null && unlocked([figure]).length > 0 ? figure : null, more);
}

/** What it needs of the open line. */
interface Written {
  readonly session: Pick<Session, "act" | "readNow" | "upToDate">;
  readonly pointer: Pointer;
  reading: (text: string) => Omit<ReadRequest, "type" | "seq">;
  inFrontOf: () => string | null;
  refresh: () => void;
  push: (entry: Entry) => void;
}

export class Hands {
  readonly strokes = new Strokes();
  readonly carries = new Carries();

  constructor(private readonly line: Written) {}

  go(pointer: Pointer): void {
    this.strokes.go(pointer);
  }

  /** Drops what is being done; false where nothing is. */
  drop(): boolean {
    const doing = this.strokes.now.length > 0 || this.carries.now !== null;
    this.strokes.end();
    this.carries.end();
    return doing;
  }

  /** The pointer goes down to stroke over stretches. False where what is open is not done so. */
  strokeFrom(pointer: Pointer): boolean {
    if (!this.strokes.begin(pointer)) return false;
    // What was wrong with the one before is said no longer.
    useInterface.setState({ refused: null });
    this.line.refresh();
    return true;
  }

  /** It comes up again: what was stroked over is written in its turn. */
  strokeDone(): void {
    const stroke = this.strokes.end();
    // Esc may have dropped it meanwhile.
    if (stroke.length > 0) this.line.push({ key: "stroke", text: "", pointer: this.line.pointer, stroke });
  }

  /** Writes what a stroke has come to: what was shown, as one change. */
  async write(pointer: Pointer, stroke: Path): Promise<void> {
    const read = await this.line.session.readNow({ ...this.line.reading(""), pointer, stroke });
    const brush = read?.brush;
    if (brush && brush.entries.length > 0) await writeAll(this.line.session, brush.entries, this.line.inFrontOf());
    else if (brush && brush.why !== "") refuse(brush.why);
    this.line.refresh();
  }

  /** The figure under the pointer is selected, or added: at once where it is known, else in its turn, once it has been read. */
  choose(more: boolean): void {
    if (this.line.session.upToDate) chooseOne(useInterface.getState().pointed, more);
    else this.line.push({ key: "choose", text: "", pointer: this.line.pointer, more });
  }

  async chosen(pointer: Pointer, more: boolean): Promise<void> {
    const read = await this.line.session.readNow({ ...this.line.reading(""), pointer });
    chooseOne(read?.tag?.figure ?? null, more);
  }

  /** What was carried is let down where the pointer is: the step that was shown is written. */
  async letDown(copied: boolean): Promise<void> {
    if (!this.carries.now) return;
    this.carries.copied = copied;
    const read = await this.line.session.readNow(this.line.reading(""));
    this.carries.end();
    const carry = read?.carry;
    if (carry?.text === "") refuse(carry.words.join(" "));
    else if (carry) await writeStep(this.line.session, carry.text, this.line.inFrontOf());
    this.line.refresh();
  }

  /** What was pasted is put down where the pointer is. */
  async putDown(): Promise<void> {
    const read = await this.line.session.readNow(this.line.reading(""));
    await putDown(this.line.session, read, this.line.inFrontOf());
    this.line.refresh();
  }

  /** The handle that was pulled is let go: the given it changes is written. */
  async letGo(): Promise<void> {
    const read = await this.line.session.readNow(this.line.reading(""));
    useInterface.setState({ pull: null });
    const { pull } = read ?? {};
    const before = useDocument.getState().byId.get(pull?.id ?? "");
    if (pull) await mendStep(this.line.session, pull.id, before?.text, pull.text);
    this.line.refresh();
  }
}
