/** How the view follows what is written: nothing that was in sight is pushed out of it, and nobody's own view is undone. */
import type { Figure, Line } from "../api/types";
import { useDocument } from "../state/document";
import { figuresOf } from "../state/figures";
import { useInterface } from "../state/interface";
import { type Box, brought, type Camera, fitted, holds, small, union } from "./camera";
import { seenBox } from "./turned";

/** A drawing of no more steps than these fills the table. */
const FIRST_STEPS = 3;

/** The box around figures, as it lies in the view. */
export function boxOf(c: Camera, figures: readonly (Figure | null)[]): Box | null {
  return figures.reduce<Box | null>((box, f) => union(box, f?.box ? seenBox(c, f.box as unknown as Box) : null), null);
}

export class Following {
  /** Whether somebody has moved or zoomed the view. */
  private own = false;
  /** The view before it followed what is typed. */
  private before: Camera | null = null;
  /** The text that was followed last, and how many givens stood before it. */
  private text = "";
  private rows = 0;
  /** Whether what is being written was drawn by what was typed, and not by clicks: a view that is pointed at stays. */
  private byText = false;

  constructor(
    private readonly camera: () => Camera,
    private readonly see: (camera: Camera) => void,
  ) {}

  /** The view is as somebody wants it: it no longer goes back to what it was before something was typed. */
  steered(): void {
    this.own = true;
    this.before = null;
  }

  /** What was just placed or changed is brought into sight; the first figures fill the table. */
  placed(fresh: readonly string[]): void {
    // What was typed has been seen already: the view stays as it is.
    this.before = null;
    const { byId, steps } = useDocument.getState();
    const c = this.camera();
    const box = boxOf(
      c,
      fresh.flatMap((id) => {
        const step = byId.get(id);
        return step ? figuresOf([step]).map((one) => one.figure) : [];
      }),
    );
    if (!box) return;
    const first = this.byText && !this.own && steps.length <= FIRST_STEPS;
    this.byText = false;
    const figures = first ? figuresOf(steps).map((s) => s.figure) : [];
    const all = boxOf(c, figures);
    if (all && (small(c, all) || !holds(c, all))) this.see(fitted(c, all));
    else this.see(brought(c, box, () => inSight(c, fresh)));
  }

  /** What is typed is kept in sight: the view goes out as far as its numbers want, and comes back with them. A place that was
   * put down is brought into sight as well. Each text is followed once: the pointer moves no view. */
  typed(line: Line): void {
    const { text, draft, mend } = useInterface.getState();
    const rows = draft?.rows.length ?? 0;
    if (text !== "") this.byText = line.box !== null;
    else if (line.picks.length > 0) this.byText = false;
    if (rows !== this.rows) {
      this.rows = rows;
      // It was entered: the view stays as it was seen.
      this.before = null;
      const [x, y] = line.last ?? [];
      if (draft && rows > 0 && x !== undefined && y !== undefined) this.bring(this.camera(), [x, y, x, y]);
    }
    if (text === "" || mend) {
      if (text === "") this.back();
      this.text = text;
      return;
    }
    const typed = text.trim();
    const current = line.row.endsWith(typed) || line.enter.statement.endsWith(typed);
    if (!current || text === this.text) return;
    this.text = text;
    const from = this.before ?? this.camera();
    if (line.box && line.picks.length === 0 && this.bring(from, line.box as unknown as Box)) this.before = from;
    else if (this.before) this.see(this.before);
  }

  /** Something that is shown besides, as where the lines of a working cross. */
  shown(at: readonly number[]): void {
    const [x, y] = at;
    if (x !== undefined && y !== undefined) this.bring(this.camera(), [x, y, x, y]);
  }

  /** What was typed was not written after all. */
  private back(): void {
    const { before } = this;
    this.before = null;
    if (before) this.see(before);
  }

  /** Whether the view had to change. */
  private bring(from: Camera, box: Box): boolean {
    const next = brought(from, seenBox(from, box), () => inSight(from, []));
    if (next === from) return false;
    this.see(next);
    return true;
  }
}

/** The box around what is wholly in sight, but for some steps; where nothing is, around the whole drawing: going far away would
 * lose sight of it. */
function inSight(c: Camera, without: readonly string[]): Box | null {
  const out = new Set(without);
  const { steps } = useDocument.getState();
  const boxes = steps.map((step) => (out.has(step.id) ? null : boxOf(c, [step.figure]))).filter((box) => box !== null);
  const seen = boxes.filter((box) => holds(c, box));
  return (seen.length > 0 ? seen : boxes).reduce<Box | null>((all, box) => union(all, box), null);
}
