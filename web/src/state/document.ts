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

export function takeBook(book: Book): void {
  const before = useDocument.getState().byId;
  const known = new Map(book.whole ? [] : before);
  for (const step of book.steps) known.set(step.id, step);
  const steps = book.order.flatMap((id) => known.get(id) ?? []);
  useDocument.setState({
    connection: "open",
    name: book.name,
    revision: book.revision,
    header: book.header,
    steps,
    byId: new Map(steps.map((s) => [s.id, s])),
    undo: book.undo,
    redo: book.redo,
    last: book.last,
    fresh: book.steps.map((s) => s.id).filter((id) => book.whole || before.get(id) !== known.get(id)),
  });
}
