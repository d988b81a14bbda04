/** The kinds of figure and of reading that can be begun, as the core declares them. */
import { DECLARED } from "../api/declared.gen";
import type { Kind } from "../api/types";

const BY_WORD = new Map(DECLARED.kinds.map((kind) => [kind.word, kind]));

export function kindOf(word: string): Kind | undefined {
  return BY_WORD.get(word);
}
