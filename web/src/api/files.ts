/** Files over HTTP: answers that come in lines, the last with the result; going away calls the work off. */
import { messageOf, Refusal } from "./client";
import type { FileAsked, FileFormat, FileFound, FileLook } from "./types";

export interface Progress {
  readonly done: number;
  readonly total: number;
}

interface Line<T> {
  readonly done?: number;
  readonly total?: number;
  readonly refused?: string;
  readonly found?: T | null;
}

const JSON_BODY = { "Content-Type": "application/json" };

async function inLines<T>(url: string, init: RequestInit, told: (progress: Progress) => void): Promise<T> {
  const response = await fetch(url, { method: "POST", ...init });
  if (!response.ok || !response.body) throw new Refusal(messageOf(await response.json().catch(() => null)));
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { value, done } = await reader.read();
    const parts = (rest + (value ?? "")).split("\n");
    rest = parts.pop() ?? "";
    for (const part of parts) {
      const line = JSON.parse(part) as Line<T>;
      if (line.refused) throw new Refusal(line.refused);
      if (line.found) return line.found;
      told({ done: line.done ?? 0, total: line.total ?? 0 });
    }
    if (done) throw new Refusal("The server stopped before it was done.");
  }
}

export async function formats(): Promise<FileFormat[]> {
  const response = await fetch("/api/files/formats");
  return (await response.json()) as FileFormat[];
}

export const lookAt = (
  drawing: string,
  word: string,
  asked: FileAsked,
  signal: AbortSignal,
  told: (progress: Progress) => void,
): Promise<FileLook> =>
  inLines(
    `/api/drawings/${drawing}/files/${word}/look`,
    { body: JSON.stringify(asked), headers: JSON_BODY, signal },
    told,
  );

async function post(url: string, asked: FileAsked): Promise<Blob> {
  const response = await fetch(url, { method: "POST", body: JSON.stringify(asked), headers: JSON_BODY });
  if (!response.ok) throw new Refusal(messageOf(await response.json().catch(() => null)));
  return response.blob();
}

/** The file, put where the browser puts what it keeps. */
export async function keepFile(drawing: string, word: string, asked: FileAsked, name: string): Promise<void> {
  const url = URL.createObjectURL(await post(`/api/drawings/${drawing}/files/${word}`, asked));
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** What the stand-in for a cutter cuts, in a page of its own. */
export async function showCut(drawing: string, asked: FileAsked): Promise<void> {
  const url = URL.createObjectURL(await post(`/api/drawings/${drawing}/cut`, asked));
  window.open(url, "_blank", "noopener");
}

export interface Columns {
  readonly x: number;
  readonly y: number;
  readonly label: number | null;
}

export function readFile(
  file: File,
  drawing: string | null,
  columns: Columns | null,
  unit: string,
  signal: AbortSignal,
  told: (progress: Progress) => void,
): Promise<FileFound> {
  const query = new URLSearchParams({ name: file.name });
  if (unit) query.set("unit", unit);
  if (columns) {
    query.set("x", String(columns.x));
    query.set("y", String(columns.y));
    if (columns.label !== null) query.set("label", String(columns.label));
  }
  return inLines(`/api/${drawing ? `drawings/${drawing}/found` : "files/read"}?${query}`, { body: file, signal }, told);
}
