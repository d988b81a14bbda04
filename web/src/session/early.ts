/**
 * Where a drawing is opened, what was kept of it is asked for at once, while the table is still being laid: a large drawing is
 * half here by then. Of all others there is nothing, and nobody waits for the answer.
 */
const AT_A_DRAWING = /^\/drawings\/([0-9a-f-]{36})$/;

export const keptOf = (drawing: string): string => `/api/drawings/${drawing}/opened`;

let early: { readonly drawing: string; readonly answer: Promise<Response> } | null = null;

/** Asks for the drawing that the page is opened at. */
export function askEarly(): void {
  const drawing = AT_A_DRAWING.exec(location.pathname)?.[1];
  if (drawing !== undefined) askEarlyOf(drawing);
}

export function askEarlyOf(drawing: string): void {
  if (early?.drawing === drawing) return;
  dropEarly();
  early = { drawing, answer: fetch(keptOf(drawing)) };
  early.answer.catch(() => undefined);
}

/** The answer that is on its way for a drawing, for the first reader. */
export function takeEarly(drawing: string): Promise<Response> | null {
  const found = early?.drawing === drawing ? early.answer : null;
  early = null;
  return found;
}

/** Nobody needs it: what has come of it is let go. */
export function dropEarly(): void {
  void early?.answer.then((answer) => answer.body?.cancel()).catch(() => undefined);
  early = null;
}
