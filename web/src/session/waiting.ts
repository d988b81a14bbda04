/**
 * What was done while the server could not be reached: it waits here, and in this browser, until the server has it. What the
 * server will not have is put aside, with the reason, until the drafter has settled it. Closing the page loses neither.
 */
import { create } from "zustand";

import type { Act } from "../api/types";

export interface Waits {
  readonly act: Act;
  /** What the server knows it by. */
  readonly key: string;
  /** The steps that it is about, as the core says: they must be as they were when it was done. */
  readonly own: readonly string[];
  /** The revision of the drawing that it was done on. */
  readonly base: number;
  /** Whether the server may have it already: it was on its way when the connection was lost. */
  readonly sent: boolean;
}

export interface Aside {
  readonly act: Act;
  readonly said: string;
}

interface Kept {
  readonly waits: readonly Waits[];
  readonly aside: readonly Aside[];
}

const NOTHING: Kept = { waits: [], aside: [] };

/** As it is shown. */
export const useWaiting = create<Kept>()(() => NOTHING);

/** Whether a step is there, or is as it is, because of something that waits. */
export function isWaiting(waits: readonly Waits[], step: string): boolean {
  return waits.some(({ act, own }) => {
    if (own.includes(step)) return true;
    return "id" in act && (act.id === step || step.startsWith(`${act.id}-`));
  });
}

/** What an act would write, where it is a text that can be looked at and changed. */
export const textOf = (act: Act): string | null => ("text" in act ? act.text : null);

export class Waiting {
  private readonly prefix: string;
  private readonly key: string;

  constructor(drawing: string, tab: string) {
    this.prefix = `kentrograph-waiting:${drawing}:`;
    this.key = this.prefix + tab;
    useWaiting.setState(NOTHING);
  }

  get waits(): readonly Waits[] {
    return useWaiting.getState().waits;
  }

  /** What pages left that were closed meanwhile is this one's from here on. */
  adopt(): void {
    const left = Object.keys(localStorage).filter((key) => key.startsWith(this.prefix) && key !== this.key);
    const found = left.map((key) => JSON.parse(localStorage.getItem(key) ?? "null") as Kept | null);
    if (left.length === 0) return;
    const { waits, aside } = useWaiting.getState();
    this.keep({
      waits: [...found.flatMap((one) => one?.waits ?? []), ...waits],
      aside: [...found.flatMap((one) => one?.aside ?? []), ...aside],
    });
    for (const key of left) localStorage.removeItem(key);
  }

  set(waits: readonly Waits[]): void {
    this.keep({ ...useWaiting.getState(), waits });
  }

  /** The first of them is done, or is not to be had. */
  settle(refused: string | null): void {
    const { waits, aside } = useWaiting.getState();
    const [first, ...rest] = waits;
    if (!first) return;
    this.keep({ waits: rest, aside: refused === null ? aside : [...aside, { act: first.act, said: refused }] });
  }

  /** One that was put aside is settled. */
  letGo(n: number): void {
    const { waits, aside } = useWaiting.getState();
    this.keep({ waits, aside: aside.filter((_, i) => i !== n) });
  }

  private keep(kept: Kept): void {
    useWaiting.setState(kept);
    if (kept.waits.length + kept.aside.length === 0) localStorage.removeItem(this.key);
    else localStorage.setItem(this.key, JSON.stringify(kept));
  }
}
