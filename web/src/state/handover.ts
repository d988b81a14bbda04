/** What is handed over, as the server lays it out for the revision that is seen: setting-out tables, the sheet that is looked at. */
import { create } from "zustand";

import { sheetOf, tablesOf } from "../api/client";
import type { PointTable, Sheet } from "../api/types";
import { useDocument } from "./document";

interface HandOver {
  /** The drawing that all of it is of. */
  readonly of: string;
  readonly tables: readonly PointTable[];
  readonly sheet: Sheet | null;
  /** Why there is no sheet to see. */
  readonly refused: string;
}

export const useHandOver = create<HandOver>()(() => ({ of: "", tables: [], sheet: null, refused: "" }));

export async function loadTables(drawing: string): Promise<void> {
  const { revision } = useDocument.getState();
  const tables = await tablesOf(drawing);
  if (isNow(drawing, revision)) useHandOver.setState({ of: drawing, tables });
}

export async function loadSheet(drawing: string, number: number): Promise<void> {
  const { revision } = useDocument.getState();
  try {
    const sheet = await sheetOf(drawing, number);
    if (isNow(drawing, revision)) useHandOver.setState({ of: drawing, sheet, refused: "" });
  } catch (error) {
    if (isNow(drawing, revision))
      useHandOver.setState({
        of: drawing,
        sheet: null,
        refused: error instanceof Error ? error.message : String(error),
      });
  }
}

/** A later revision may have been asked for meanwhile. */
function isNow(drawing: string, revision: number): boolean {
  const now = useDocument.getState();
  return now.id === drawing && now.revision === revision;
}
