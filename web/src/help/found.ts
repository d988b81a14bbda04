/** What of the help is shown: the kind that is being written first, and of a search what has all its words. */
import type { Help, HelpKind } from "../api/types";

export interface Found {
  readonly kinds: readonly HelpKind[];
  readonly sections: Help["sections"];
}

function has(text: string, words: readonly string[]): boolean {
  const lower = text.toLowerCase();
  return words.every((word) => lower.includes(word));
}

/** Of a kind that is found by one of its examples or givens only these are kept; one that is found by its word, whole. */
function narrowed(kind: HelpKind, words: readonly string[]): HelpKind | null {
  if (has(`${kind.word} ${kind.explanation}`, words)) return kind;
  const examples = kind.examples.filter((e) => has(`${e.text} ${e.note}`, words));
  const givens = kind.givens.filter((g) => has(`${kind.word} ${g.word} ${g.explanation}`, words));
  return examples.length > 0 || givens.length > 0 ? { ...kind, examples, givens } : null;
}

export function found(help: Help, search: string, writing: string | null): Found {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const own = writing?.split(" ")[0] ?? "";
  const kinds = help.kinds
    .map((kind) => narrowed(kind, words))
    .filter((kind) => kind !== null)
    .sort((a, b) => Number(b.word === own) - Number(a.word === own));
  const sections = help.sections.filter((s) => has(`${s.title} ${s.text}`, words));
  return { kinds, sections };
}
