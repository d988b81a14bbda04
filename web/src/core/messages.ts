/** What the table and the core beside it tell each other. All that the core reads and answers is JSON, handed on as it is. */
export type ToCore =
  | { readonly do: "open"; readonly drawing: string }
  | { readonly do: "follow"; readonly since: number; readonly revision: number; readonly edits: string }
  | { readonly do: "read"; readonly seq: number; readonly asked: string }
  /** What waits, all of it, on top of what the server has. */
  | { readonly do: "ahead"; readonly acts: string }
  | { readonly do: "look"; readonly seq: number; readonly what: Look; readonly asked: string };

/** What a step has to show. */
export type Look = "working" | "before" | "values" | "ways";

export type FromCore =
  | { readonly is: "ready"; readonly seconds: number }
  | { readonly is: "opened"; readonly drawing: string; readonly revision: number; readonly seconds: number }
  /** It has not come to where the others are: it is to be opened anew. */
  | { readonly is: "behind" }
  | { readonly is: "answer"; readonly seq: number; readonly answer: string }
  | { readonly is: "ahead"; readonly found: string }
  | { readonly is: "looked"; readonly seq: number; readonly found: string }
  | { readonly is: "failed"; readonly why: string };
