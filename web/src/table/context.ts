/** What the parts of one table share. */
import { createContext, useContext } from "react";

import type { Session } from "../session/session";
import type { View } from "../surface/view";
import type { OpenLine } from "./openline";

export interface TableParts {
  readonly session: Session;
  readonly openLine: OpenLine;
  /** The surface, once it is mounted. */
  readonly view: { current: View | null };
  readonly pointerTag: { current: HTMLDivElement | null };
}

export const TableContext = createContext<TableParts | null>(null);

export function useTable(): TableParts {
  const parts = useContext(TableContext);
  if (!parts) throw new Error("no table around this part");
  return parts;
}
