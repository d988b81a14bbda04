/** Files that are dropped: taken only where something is done with them, and one at a time. */
import { type DragEvent, useState } from "react";

export function useDrops(take: (file: File) => void) {
  const [over, setOver] = useState(false);
  const has = (event: DragEvent) => event.dataTransfer.types.includes("Files");
  return {
    over,
    onDragOver: (event: DragEvent) => {
      if (!has(event)) return;
      event.preventDefault();
      setOver(true);
    },
    onDragLeave: () => setOver(false),
    onDrop: (event: DragEvent) => {
      setOver(false);
      const [file] = event.dataTransfer.files;
      if (!file) return;
      event.preventDefault();
      take(file);
    },
  };
}
