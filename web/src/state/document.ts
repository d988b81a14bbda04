/** The drawing as the server last sent it. Only messages of the session write here. */
import { create } from "zustand";

import type { Book, Header, Step } from "../api/types";

export type Connection = "connecting" | "open" | "lost" | "gone";

interface Document {
  connection: Connection;
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
}

const EMPTY: Document = {
  connection: "connecting",
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
};

export const useDocument = create<Document>()(() => EMPTY);

export function forgetDocument(id: string): void {
  useDocument.setState({ ...EMPTY, id });
}

export function setConnection(connection: Connection): void {
  useDocument.setState({ connection });
}

/** The steps in their order, after what is gone was taken out and what was placed stands in front of its neighbour. */
function put(book: Book, before: readonly Step[], byId: ReadonlyMap<string, Step>): readonly Step[] {
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

export function takeBook(book: Book): void {
  const before = useDocument.getState().byId;
  const byId = new Map(book.whole ? [] : before);
  for (const id of book.gone) byId.delete(id);
  for (const step of book.steps) byId.set(step.id, step);
  const steps = book.whole ? book.steps : put(book, useDocument.getState().steps, byId);
  useDocument.setState({
    connection: "open",
    name: book.name,
    revision: book.revision,
    header: book.header,
    steps,
    byId,
    undo: book.undo,
    redo: book.redo,
    last: book.last,
    fresh: book.steps.map((s) => s.id).filter((id) => book.whole || before.get(id) !== byId.get(id)),
  });
}
