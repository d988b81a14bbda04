/** The rows of a figure: a given changed or struck, a step of the book opened to be mended row by row. */
import { closeMend, dropDraft, openMend, openRow, setRow } from "../state/actions";
import type { Draft, Line } from "../api/types";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";

const MOST_ROWS = 200;

/** What the rows need of the open line that they belong to. */
interface Written {
  reads: (given: { readonly text: string; readonly opened: boolean }) => Promise<Line | null>;
  type: (text: string) => void;
  refresh: () => void;
  setDraft: (draft: Draft | null) => void;
}

/** A kind of figure to which nothing was given yet. */
export const newDraft = (kind: string): Draft => ({ kind, rows: [], at: null, again: false, clicks: [], beside: [] });

/** Whether the row stands as it was opened, so that a click picks it again. */
export function untouched(): boolean {
  const { mend, text, draft } = useInterface.getState();
  return draft !== null && mend?.row !== undefined && text !== "" && text === mend.row;
}

/** Where the rows were clicked, each beside its own; the ones typed have none. */
function clicksOf(draft: Draft): Draft["clicks"] {
  return draft.rows.map((_, n) => draft.clicks[n] ?? null);
}

/** A draft without one of its rows. */
export function without(draft: Draft, index: number): Draft {
  const others = (_: unknown, n: number) => n !== index;
  return { ...draft, rows: draft.rows.filter(others), clicks: clicksOf(draft).filter(others), at: null };
}

export class Rows {
  constructor(private readonly line: Written) {}

  strike(index: number): void {
    const { draft } = useInterface.getState();
    if (draft) this.line.setDraft(without(draft, index));
  }

  /** A given goes back into the row being written, to be changed; what stood there goes back to its place. */
  change(index: number): void {
    const { draft, text } = useInterface.getState();
    if (!draft) return;
    const from = draft.at ?? draft.rows.length;
    const held = text.trim() !== "";
    const put = <T>(all: readonly T[], one: T) => (held ? [...all.slice(0, from), one, ...all.slice(from)] : [...all]);
    const at = held && from <= index ? index + 1 : index;
    const rows = put(draft.rows, text.trim());
    const clicks = put(clicksOf(draft), null);
    const row = rows[at];
    this.line.setDraft({ ...without({ ...draft, rows, clicks }, at), at });
    this.open(row ?? "");
  }

  /** A given of a step being mended stands in the row as it was: it is typed over, or picked again. */
  private open(row: string): void {
    this.line.type(row);
    const { mend } = useInterface.getState();
    if (mend) openRow(mend, row);
  }

  /** As one line, with a text that was meant for it; where the step is gone, it is a new one's. */
  mendAs(id: string, wanted: string): void {
    const step = useDocument.getState().byId.get(id);
    const { draft, text, mend } = useInterface.getState();
    if (step) {
      const before = mend?.before ?? { draft, text };
      openMend({ id, original: step.text, before });
    }
    this.line.type(wanted);
  }

  /** With ``more`` something is added to it: none of its givens is opened. */
  async mend(id: string, more = false): Promise<void> {
    const step = useDocument.getState().byId.get(id);
    if (!step) return;
    const { draft, text, mend } = useInterface.getState();
    const before = mend?.before ?? { draft, text };
    setRow("");
    // A table that is written on goes on being seen as one.
    openMend({ id, original: step.text, before }, useInterface.getState().leaf === "points" ? "points" : "book");
    await this.lay(id, more);
  }

  /** The step's givens each on its row; what has no rows is mended as one line. */
  private async lay(id: string, more: boolean): Promise<void> {
    const line = await this.line.reads({ text: "", opened: false });
    const { mend, text } = useInterface.getState();
    if (mend?.id !== id) return;
    const draft = line?.enter.draft;
    if (!draft || draft.rows.length > MOST_ROWS) this.asOneLine();
    else if (more || kindOf(draft.kind)?.endless) this.line.setDraft(draft);
    else {
      // The last given stands in the row already: most often it is the number that is to be changed.
      this.line.setDraft({ ...without(draft, draft.rows.length - 1), at: draft.at });
      this.open(draft.rows.at(-1) ?? "");
    }
    // What was typed meanwhile is typed over it.
    if (text !== "") this.line.type(text);
  }

  /** The step being mended as one line of text. */
  asOneLine(): void {
    const { mend } = useInterface.getState();
    if (!mend) return;
    dropDraft();
    this.line.type(mend.original);
  }

  leave(): void {
    const { mend } = useInterface.getState();
    closeMend(mend);
    this.line.refresh();
  }
}
