/** A large drawing is shown by what the server kept of it, which comes line by line, before its book is there. */
import type { Book, Opening, Step } from "../api/types";

/** Told how many of the steps have come. */
export type Progress = (done: number, steps: number) => void;

/** What was kept of a revision, as a whole book. Rejects where it is not there any more, or does not come whole. */
export async function fetchKept(
  drawing: string,
  { revision, steps }: Opening,
  progress: Progress,
  signal: AbortSignal,
): Promise<Book> {
  const answer = await fetch(`/api/drawings/${drawing}/opened/${String(revision)}`, { signal });
  if (!answer.ok || !answer.body) throw new Error(`what was kept could not be had: ${String(answer.status)}`);
  const found: Step[] = [];
  let frame: Book | null = null;
  for await (const lines of inLines(answer.body)) {
    const rest = frame === null ? lines.slice(1) : lines;
    frame ??= JSON.parse(lines[0] ?? "") as Book;
    // One text for many steps is read faster than many texts.
    found.push(...(JSON.parse(`[${rest.join(",")}]`) as Step[]));
    progress(found.length, steps);
  }
  if (frame === null || found.length !== steps) throw new Error("what was kept did not come whole");
  return { ...frame, steps: found };
}

/** The lines of a text as it comes, as many at a time as there are. */
async function* inLines(body: ReadableStream<Uint8Array>): AsyncGenerator<string[]> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let begun = "";
  for (;;) {
    const { done, value } = await reader.read();
    begun += done ? decoder.decode() : decoder.decode(value, { stream: true });
    const end = done ? begun.length : begun.lastIndexOf("\n");
    if (end > 0) {
      const lines = begun.slice(0, end).split("\n");
      begun = begun.slice(end + 1);
      yield lines;
    }
    if (done) return;
  }
}
