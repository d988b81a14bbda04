/** What one file holds, read anew when other columns or another unit are chosen. */
import { useEffect, useState } from "react";

import { type Columns, readFile } from "../api/files";
import type { FileFound } from "../api/types";
import { useWork } from "./useWork";

export function useFound(file: File | null, drawing: string | null) {
  const [columns, setColumns] = useState<Columns | null>(null);
  const [unit, setUnit] = useState("");
  useEffect(() => {
    setColumns(null);
    setUnit("");
  }, [file]);
  const known = columns && columns.x >= 0 && columns.y >= 0 ? columns : null;
  const key = file ? JSON.stringify([file.name, file.size, file.lastModified, drawing, known, unit]) : "";
  const work = useWork<FileFound>(key, file && ((signal, told) => readFile(file, drawing, known, unit, signal, told)));
  return { ...work, columns, setColumns, unit, setUnit };
}
