/** What becomes of an act. */
export type Answer =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly start: number; readonly end: number };

/** An act that is not done, with nothing in what was typed to point at. */
export function refusal(message: string): Answer {
  return { ok: false, message, start: 0, end: 0 };
}
