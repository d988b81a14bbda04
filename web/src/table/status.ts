/** What the strip says of the drawing: whether it is there, and whether all that was done is kept by the server. */
import type { Connection } from "../state/document";

/** With so many changes done in the page that the server has not got yet. */
export function statusWords(connection: Connection, waits: number, looking: boolean): string {
  switch (connection) {
    case "connecting":
      return "Opening …";
    case "gone":
      return "Deleted";
    case "lost":
      return waits > 0 ? `Connection lost; ${waits.toLocaleString("en")} wait here` : "Connection lost, trying again …";
    case "open":
      // The connection is back before all that waited has gone over it.
      if (waits > 0) return `Saving; ${waits.toLocaleString("en")} wait here`;
      return looking ? "Looking only" : "Saved";
  }
}
