/** Who is at this page, as far as the server knows. */
import { create } from "zustand";

import { Refusal } from "../api/client";
import { who } from "../api/people";
import type { Who } from "../api/types";

interface Known {
  /** Null until the server has answered. */
  who: Who | null;
  problem: string;
}

export const useWho = create<Known>()(() => ({ who: null, problem: "" }));

export async function loadWho(): Promise<void> {
  try {
    useWho.setState({ who: await who(), problem: "" });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    useWho.setState({ problem: error.message });
  }
}
