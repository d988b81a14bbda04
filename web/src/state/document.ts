/** The drawing as the server last sent it. Only messages of the session write here. */
import { create } from "zustand";

import type { Ahead, Book, Header, May, Step } from "../api/types";

export type Connection = "connecting" | "open" | "lost" | "gone";

interface Document {
  connection: Connection;
  /** What the person at this table may do with it. */
  may: May;
  /** Of a large drawing that is being opened: how many of its steps are there, and how many there will be. */
  opening: { readonly done: number; readonly steps: number } | null;
  /** Why it is not there. */
  why: string;
  id: string;
  name: string;
  revision: number;
  header: Header | null;
  steps: readonly Step[];
  byId: ReadonlyMap<string, Step>;
  undo: string | null;
  redo: string | null;
  last: readonly number[];
  /** Steps that the newest message brought or changed. */
  fresh: readonly string[];
  /** Steps as they were until the newest message changed them or took them away; null where it brought the whole. */
  former: readonly Step[] | null;
  /** Steps that were drawn until the newest message, and now wait for something that is gone or cannot be drawn. */
  stopped: readonly string[];
}

const EMPTY: Document = {
  connection: "connecting",
  may: "own",
  opening: null,
  why: "",
  id: "",
  name: "",
  revision: -1,
  header: null,
  steps: [],
  byId: new Map(),
  undo: null,
  redo: null,
  last: [0, 0],
  fresh: [],
  former: null,
  stopped: [],
};

export const useDocument = create<Document>()(() => EMPTY);

export function forgetDocument(id: string): void {
  useDocument.setState({ ...EMPTY, id });
}

export function setConnection(connection: Connection, why = ""): void {
  useDocument.setState({ connection, why, opening: null });
}

export const mayDraw = (): boolean => useDocument.getState().may !== "see";

/** The steps in their order, after what is gone was taken out and what was placed stands in front of its neighbour. */
function put(
  book: Pick<Ahead, "gone" | "placed">,
  before: readonly Step[],
  byId: ReadonlyMap<string, Step>,
): readonly Step[] {
  const out = new Set([...book.gone, ...book.placed.map((p) => p.id)]);
  const kept = out.size > 0 ? before.filter((s) => !out.has(s.id)) : before;
  const steps = kept.map((s) => byId.get(s.id) ?? s);
  for (const { id, in_front_of } of book.placed) {
    const step = byId.get(id);
    const at = in_front_of === null ? -1 : steps.findIndex((s) => s.id === in_front_of);
    if (step) steps.splice(at < 0 ? steps.length : at, 0, step);
  }
  return steps;
}

/** Whether a step was drawn before and is not now, though it is not it that was switched off. */
function stops(before: Step | undefined, now: Step): boolean {
  return before?.problem === null && now.problem !== null && !now.off;
}

/** What is done ahead of the server, on top of the revision that it has. */
export function takeAhead(ahead: Ahead): void {
  const { name, revision } = useDocument.getState();
  show({ ...ahead, name, revision, redo: null }, "lost");
}

export function takeBook(book: Book): void {
  show(book, "open");
}

type Shown = Pick<Ahead, "header" | "whole" | "gone" | "placed" | "undo" | "last" | "steps"> &
  Pick<Book, "name" | "revision" | "redo">;

function show(book: Shown, connection: Connection): void {
  const before = useDocument.getState().byId;
  const byId = new Map(book.whole ? [] : before);
  for (const id of book.gone) byId.delete(id);
  for (const step of book.steps) byId.set(step.id, step);
  const steps = book.whole ? book.steps : put(book, useDocument.getState().steps, byId);
  useDocument.setState({
    connection,
    opening: null,
    name: book.name,
    revision: book.revision,
    header: book.header,
    steps,
    byId,
    undo: book.undo,
    redo: book.redo,
    last: book.last,
    stopped: book.whole ? [] : book.steps.filter((s) => stops(before.get(s.id), s)).map((s) => s.id),
    former: book.whole ? null : [...book.gone, ...book.steps.map((s) => s.id)].flatMap((id) => before.get(id) ?? []),
    fresh: book.steps.map((s) => s.id).filter((id) => book.whole || before.get(id) !== byId.get(id)),
  });
}
