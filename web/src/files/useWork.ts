/** Work of the server that takes a while: the newest asked for wins, an older one is called off. */
import { useEffect, useState } from "react";

import type { Progress } from "../api/files";

interface Work<T> {
  readonly found: T | null;
  readonly refused: string;
  /** How far it is; null when nothing is under way. */
  readonly progress: Progress | null;
  readonly callOff: () => void;
}

const IDLE = { found: null, refused: "", progress: null };

export function useWork<T>(
  key: string,
  begin: ((signal: AbortSignal, told: (progress: Progress) => void) => Promise<T>) | null,
): Work<T> {
  const [state, setState] = useState<Omit<Work<T>, "callOff">>(IDLE);
  const [stop, setStop] = useState<AbortController | null>(null);
  useEffect(() => {
    if (!begin) {
      setState(IDLE);
      return;
    }
    const own = new AbortController();
    setStop(own);
    setState((before) => ({ ...before, refused: "", progress: { done: 0, total: 0 } }));
    begin(own.signal, (progress) => setState((before) => ({ ...before, progress })))
      .then((found) => !own.signal.aborted && setState({ found, refused: "", progress: null }))
      .catch((error: unknown) => {
        if (own.signal.aborted) return;
        setState({ found: null, refused: error instanceof Error ? error.message : String(error), progress: null });
      });
    return () => own.abort();
    // The key tells what is to be done.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const callOff = () => {
    stop?.abort();
    setState({ found: null, refused: "Called off.", progress: null });
  };
  return { ...state, callOff };
}
