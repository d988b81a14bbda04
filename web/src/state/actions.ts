/** What changes what the person is doing: every write to the interface store has its name here, or in `selection`. */
import type { Draft, Figure, Line, Problem, Working } from "../api/types";
import { NOTHING, refusal, useInterface, type Interface, type Mending } from "./interface";

const set = useInterface.setState;

/** The table as it is when it is opened. */
export const beginAnew = () => set(NOTHING);

// What is looked at ------------------------------------------------------------------------------------

/** The figure, or step, that the pointer is over; leaving one also leaves what it was. */
export const point = (pointed: string | null) => set(pointed === null ? { pointed, was: NOTHING.was } : { pointed });
export const keepBefore = (was: readonly Figure[]) => set({ was });
export const tryOut = (trial: Figure | null) => set({ trial });

/** A ring about a place, as long as it is pointed at in a list, and the figure that it belongs to. */
export const ring = (centre: readonly number[], radius: number, pointed: string | null = null) =>
  set({ trial: { kind: "circle", centre: [...centre], radius }, pointed });
export const unring = () => set({ trial: null, pointed: null });

export const openLeaf = (leaf: Interface["leaf"]) => set({ leaf });
export const turnLeaf = (leaf: Interface["leaf"]) => set((i) => ({ leaf: i.leaf === leaf ? "book" : leaf }));
export const openTable = () => set({ sheet: null, files: false, history: false });
export const openSheet = (sheet: number) => set({ sheet, sheetPart: null, files: false, history: false });
export const openFiles = () => set({ files: true, sheet: null, history: false });
export const openHistory = (history: boolean) => set({ history });
export const zoomSheet = (sheetZoom: number) => set({ sheetZoom });
export const choosePart = (sheetPart: string | null) => set({ sheetPart });
export const openMenu = (menu: Interface["menu"]) => set({ menu });
export const turnPencil = () => set((i) => ({ pencil: !i.pencil }));
export const keepWorking = (working: { step: string; shown: Working } | null) => set({ working });
export const say = (said: string) => set({ said });

/** Why an act was refused. */
export const showRefused = (refused: Problem | null) => set({ refused });
export function refuse(message: string, start = 0, end = 0): void {
  showRefused(refusal(message, start, end));
}

// What stands on the open line ---------------------------------------------------------------------------

export const showLine = (line: Line) => set({ line });
export const showWaiting = (waiting: readonly string[]) => set({ waiting });

/** What was wrong, chosen or said before is over when something is typed. */
export const setText = (text: string) => set({ text, refused: null, choice: null, said: "" });
/** The row as it stands after what was in it was entered, or put back. */
export const setRow = (text: string) => set({ text });
export const setLine = (draft: Draft | null) => set({ draft, text: "", refused: null, line: null });
export const setDraft = (draft: Draft | null) => set({ draft, refused: null });
/** A draft without which the row goes on as one line. */
export const dropDraft = () => set({ draft: null });
/** Draft and row as they were kept by an earlier table. */
export const bringBack = (draft: Draft | null, text: string) => set({ draft, text });
/** What could not be done, back in the row: as one that is new, it is there to be typed over. */
export const putBack = (text: string, refused: Problem | null) => set({ text, refused: refused && { ...refused } });
export const chooseSolution = (choice: number | null) => set({ choice });
export const writeBefore = (before: string | null) => set({ before });
/** A handle of what is selected, or of a step that is selected by it. */
export const pullHandle = (pull: number | null, step?: string) =>
  set(step === undefined ? { pull } : { pull, selected: step, others: [] });
export const hold = (placing: Interface["placing"]) => set({ placing });

export const openMend = (mend: Mending, leaf: Interface["leaf"] = "book") =>
  set({ mend, draft: null, selected: mend.id, leaf });
export const openRow = (mend: Mending, row: string) => set({ mend: { ...mend, row } });
export const closeMend = (mend: Mending | null) =>
  set({ mend: null, refused: null, choice: null, ...(mend?.before ?? { draft: null, text: "" }) });
