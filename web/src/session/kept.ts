/** A large drawing is shown by what the server kept of it, which comes line by line, before its book is there. */
import type { Book, Opening, Step } from "../api/types";
import { keptOf, takeEarly } from "./early";

/** Told how many of the steps have come. */
export type Progress = (done: number, steps: number) => void;

/** What was kept of a revision, as a whole book. Rejects where it is not there any more, or does not come whole. */
export async function fetchKept(
  drawing: string,
  { revision, steps }: Opening,
  progress: Progress,
  signal: AbortSignal,
  atOnce = AT_ONCE,
): Promise<Book> {
  const answer = await (takeEarly(drawing) ?? fetch(keptOf(drawing), { signal }));
  if (answer.status !== 200 || !answer.body)
    throw new Error(`what was kept could not be had: ${String(answer.status)}`);
  const { body } = answer;
  // What was asked for early goes on by itself.
  signal.addEventListener("abort", () => void body.cancel().catch(() => undefined));
  const found: Step[] = [];
  let frame: Book | null = null;
  let columns: readonly string[] = [];
  for await (const lines of inLines(body, atOnce)) {
    const rest = [...lines];
    if (frame === null) frame = JSON.parse(rest.shift() ?? "") as Book;
    if (columns.length === 0 && rest.length > 0) columns = JSON.parse(rest.shift() ?? "") as string[];
    if (frame.revision !== revision) throw new Error("what was kept is of another revision");
    // One text for many steps is read faster than many texts.
    for (const said of JSON.parse(`[${rest.join(",")}]`) as unknown[][]) found.push(stepFrom(columns, said));
    progress(found.length, steps);
    // So that it is seen, however fast more of it comes.
    await new Promise((next) => setTimeout(next));
  }
  if (frame === null || found.length !== steps) throw new Error("what was kept did not come whole");
  return { ...frame, steps: found };
}

function stepFrom(columns: readonly string[], said: readonly unknown[]): Step {
  const step: Record<string, unknown> = {};
  for (let n = 0; n < columns.length; n++) step[columns[n] ?? ""] = said[n];
  return step as unknown as Step;
}

/** Characters that are read at once. */
const AT_ONCE = 6_000_000;

/** The lines of a text as it comes, many at a time: each time the whole page is notified. */
async function* inLines(body: ReadableStream<Uint8Array>, atOnce: number): AsyncGenerator<string[]> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let pieces: string[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    const piece = done ? decoder.decode() : decoder.decode(value, { stream: true });
    pieces.push(piece);
    size += piece.length;
    if (done || size >= atOnce) {
      const text = pieces.join("");
      const end = done ? text.length : text.lastIndexOf("\n");
      if (end > 0) yield text.slice(0, end).split("\n");
      const rest = end > 0 ? text.slice(end + 1) : text;
      pieces = [rest];
      size = rest.length;
    }
    if (done) return;
  }
}
