/** Who else is at the drawing, as the server last said; and since when each has kept still. */
import { create } from "zustand";

import type { Other } from "../api/types";

export interface Someone extends Other {
  /** When their pointer came to where it is, by this browser's clock. */
  readonly since: number;
}

export const useOthers = create<{ others: readonly Someone[] }>()(() => ({ others: [] }));

const same = (a: Other["at"], b: Other["at"]): boolean => a?.[0] === b?.[0] && a?.[1] === b?.[1];

export function takeOthers(others: readonly Other[], now: number): void {
  const before = new Map(useOthers.getState().others.map((one) => [one.seat, one]));
  useOthers.setState({
    others: others.map((one) => {
      const known = before.get(one.seat);
      return { ...one, since: known && same(known.at, one.at) ? known.since : now };
    }),
  });
}

/** Everybody once, in the order of their names: somebody who has it open twice is one person. */
export function names(others: readonly Someone[]): readonly string[] {
  return [...new Set(others.map((one) => one.name))].sort((a, b) => a.localeCompare(b));
}

/** What somebody mends now; null where that is nothing. */
export const mendedBy = (others: readonly Someone[], name: string): string | null =>
  others.find((one) => one.name === name && one.mending)?.mending ?? null;

/** Who mends a step. */
export const menderOf = (others: readonly Someone[], step: string): string | null =>
  others.find((one) => one.mending === step)?.name ?? null;
