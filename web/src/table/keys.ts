/** Keys of the table. Everything that can be typed goes to the open line without a click. */
import { openMenu, turnLeaf, turnPencil } from "../state/actions";
import { useEffect } from "react";

import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { stepOf } from "../state/figures";
import { usePreferences } from "../state/preferences";
import { selectedIds, selectNothing, selectStep } from "../state/selection";
import { moveStep } from "../book/StepActs";
import { copySelected, takePasted } from "./clipboard";
import type { TableParts } from "./context";
import { newId } from "./entry";
import { doOrSay } from "./writing";

const PAN = 80;
const ZOOM = 1.25;

export const OPEN_LINE_INPUT = "open-line-input";

export function useTableKeys(parts: TableParts): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest("[data-own-keys]")) return;
      if (viewKey(event, parts) || editKey(event, parts) || lineKey(event, parts)) event.preventDefault();
      else if (goesToLine(event, target)) toOpenLine();
    };
    // A word that was clicked gives the keys back to the open line.
    const onClick = (event: MouseEvent) => {
      const target = event.target as HTMLElement;
      if (event.detail === 0 || !target.closest("button") || target.closest("[data-own-keys]")) return;
      setTimeout(() => {
        // Unless it has opened something else to write in.
        if (document.activeElement?.tagName !== "INPUT") toOpenLine();
      });
    };
    // Several lines draw something; a single one goes into the row.
    const onPaste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData("text/plain") ?? "";
      const target = event.target as HTMLElement;
      if (!text.trim().includes("\n") || target.closest("[data-own-keys]")) return;
      event.preventDefault();
      void takePasted(parts.session.drawing, text);
    };
    window.addEventListener("paste", onPaste);
    window.addEventListener("keydown", onKey);
    window.addEventListener("click", onClick);
    return () => {
      window.removeEventListener("paste", onPaste);
      window.removeEventListener("keydown", onKey);
      window.removeEventListener("click", onClick);
    };
  }, [parts]);
}

/** Gives the keys to the open line. A browser that has lost the caret there, with the word that was clicked, has it at the front:
 *  one goes on at the end. */
function toOpenLine(): void {
  const row = document.getElementById(OPEN_LINE_INPUT);
  if (!(row instanceof HTMLTextAreaElement) || row === document.activeElement) return;
  row.focus();
  if (row.selectionEnd === 0) row.setSelectionRange(row.value.length, row.value.length);
}

/** The view: never touches what is being written. */
function viewKey(event: KeyboardEvent, { view }: TableParts): boolean {
  const v = view.current;
  if (!v) return false;
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [PAN, 0],
    ArrowRight: [-PAN, 0],
    ArrowUp: [0, PAN],
    ArrowDown: [0, -PAN],
  };
  const move = moves[event.key];
  if (event.key === "F1") turnLeaf("help");
  else if (event.ctrlKey && move) v.pan(...move);
  else if (event.ctrlKey && event.key === "PageDown") v.viewBefore();
  else if (event.ctrlKey && event.key === "End") v.frameSelection();
  else if (event.key === "ContextMenu" || (event.shiftKey && event.key === "F10")) openMenu(v.pointerPixel());
  else if (event.altKey && event.key.toLowerCase() === "n") usePreferences.setState((p) => ({ names: !p.names }));
  else if (event.altKey && event.key.toLowerCase() === "p") turnPencil();
  else if (event.key === "PageUp") v.zoom(ZOOM);
  else if (event.key === "PageDown") v.zoom(1 / ZOOM);
  else if (event.key === "Home" && event.ctrlKey) v.frameAll();
  else return false;
  return true;
}

function editKey(event: KeyboardEvent, { session, openLine }: TableParts): boolean {
  const key = event.key.toLowerCase();
  if (!event.ctrlKey && !event.metaKey) {
    const { selected, text, mend } = useInterface.getState();
    if (event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown") && selected !== null) {
      moveStep(session, stepOf(selected), event.key === "ArrowUp" ? -1 : 1);
      return true;
    }
    if (event.key !== "Delete" || text !== "" || mend) return false;
    openLine.inTurn(() => {
      const now = useInterface.getState();
      if (now.selected !== null && !now.draft && !now.mend) strike(session);
    });
    return true;
  }
  if (key === "c" && (selectedIds().length > 0 || openLine.busy) && !textChosen()) {
    const { pointer } = openLine;
    openLine.inTurn(() => selectedIds().length > 0 && copySelected(session.drawing, pointer));
  } else if (key === "z" && !event.shiftKey) openLine.undo();
  else if (key === "y" || (key === "z" && event.shiftKey)) {
    openLine.inTurn(async () => {
      await doOrSay(session, { do: "redo" });
      openLine.refresh();
    });
  } else return false;
  return true;
}

/** Steps that were chosen in the book are struck; figures on the surface are taken away, whatever drew them. */
function strike(session: TableParts["session"]): void {
  const ids = [...selectedIds()];
  const steps = [...new Set(ids.map(stepOf))];
  const { inBook } = useInterface.getState();
  selectNothing();
  const [id = "", ...others] = steps;
  void doOrSay(session, inBook ? { do: "strike", id, others } : { do: "take_away", id: newId(), figures: ids });
}

/** Whether some text is chosen: then that is what is copied. */
function textChosen(): boolean {
  const field = document.activeElement;
  const within = field instanceof HTMLInputElement && field.selectionStart !== field.selectionEnd;
  return within || (getSelection()?.toString() ?? "") !== "";
}

/** Ctrl+Enter on a step that waits: what would work is written into it. */
function takeSuggestion({ session, openLine }: TableParts): boolean {
  const { selected, text, draft } = useInterface.getState();
  if (text !== "" || draft) return openLine.takeSuggestion();
  const step = useDocument.getState().byId.get(stepOf(selected ?? ""));
  if (!step?.problem?.suggested) return false;
  void doOrSay(session, { do: "mend", id: step.id, text: step.problem.suggested });
  return true;
}

function lineKey(event: KeyboardEvent, parts: TableParts): boolean {
  const { openLine } = parts;
  const { text, draft, mend, selected } = useInterface.getState();
  const onWord = (event.target as HTMLElement).tagName === "BUTTON";
  switch (event.key) {
    case "Enter":
      if (onWord && text === "") return false;
      if (event.ctrlKey && takeSuggestion(parts)) return true;
      if (text === "" && !draft && !mend && selected !== null) openLine.open(null);
      else openLine.enter();
      return true;
    case "ArrowUp":
    case "ArrowDown": {
      if (event.ctrlKey || event.altKey) return false;
      const by = event.key === "ArrowUp" ? -1 : 1;
      return openLine.turn(by) || (text === "" && !draft && !mend && selectNext(by));
    }
    case "Tab":
      return !event.shiftKey && (event.target as HTMLElement).id === OPEN_LINE_INPUT && openLine.hold();
    case "Escape":
      openLine.escape();
      return true;
    case "Backspace":
      if (text !== "" || (mend && !draft)) return false;
      openLine.backspace();
      return true;
    default:
      return false;
  }
}

/** With nothing begun, the arrows walk through the book. */
function selectNext(by: number): boolean {
  const { steps } = useDocument.getState();
  const { selected } = useInterface.getState();
  const at = steps.findIndex((s) => s.id === stepOf(selected ?? ""));
  const next = steps[at < 0 ? (by < 0 ? steps.length - 1 : 0) : at + by];
  if (next) selectStep(next);
  return next !== undefined;
}

function goesToLine(event: KeyboardEvent, target: HTMLElement): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return event.key === "v" && event.ctrlKey;
  if (event.key === " " && target.tagName === "BUTTON") return false;
  return event.key.length === 1 || event.key === "Backspace" || event.key === "ArrowLeft" || event.key === "ArrowRight";
}
