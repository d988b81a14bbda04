/** The kinds of figure and of reading that can be begun, as the server declares them. */
import { create } from "zustand";

import { kinds } from "../api/client";
import type { Kind } from "../api/types";

export const useKinds = create<{ kinds: readonly Kind[] }>()(() => ({ kinds: [] }));

export async function loadKinds(): Promise<void> {
  if (useKinds.getState().kinds.length === 0) useKinds.setState({ kinds: await kinds() });
}

export function kindOf(word: string): Kind | undefined {
  return useKinds.getState().kinds.find((kind) => kind.word === word);
}
