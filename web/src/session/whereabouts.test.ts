import { afterEach, beforeEach, expect, test, vi } from "vitest";

import type { Where } from "../api/types";
import { takeOthers, useOthers } from "../state/others";
import { usePreferences } from "../state/preferences";
import { Whereabouts } from "./whereabouts";

const other = { seat: "a-1", name: "Ann", at: null, selected: [], mending: null };
let at: Where;
let sent: Where[];
let up: boolean;
let one: Whereabouts;

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
  useOthers.setState({ others: [] });
  usePreferences.setState({ together: true });
  at = { at: [1, 2], selected: ["s1"], mending: null };
  sent = [];
  up = true;
  one = new Whereabouts(
    () => at,
    (where) => up && sent.push(where) > 0,
  );
});

afterEach(() => {
  one.close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test("alone nothing is told; in company what has changed is, and once", () => {
  vi.advanceTimersByTime(5000);
  expect(sent).toEqual([]);
  takeOthers([other], 0);
  vi.advanceTimersByTime(5000);
  expect(sent).toEqual([at]);
  at = { ...at, at: [3, 4] };
  vi.advanceTimersByTime(5000);
  expect(sent).toHaveLength(2);
  takeOthers([], 0);
  at = { ...at, at: [5, 6] };
  vi.advanceTimersByTime(5000);
  expect(sent).toHaveLength(2);
});

test("turned off, it is taken back; over a lost connection nothing counts as told", () => {
  takeOthers([other], 0);
  vi.advanceTimersByTime(300);
  usePreferences.setState({ together: false });
  vi.advanceTimersByTime(300);
  expect(sent.at(-1)).toEqual({ at: null, selected: [], mending: null });
  usePreferences.setState({ together: true });
  up = false;
  vi.advanceTimersByTime(1000);
  up = true;
  vi.advanceTimersByTime(300);
  expect(sent.at(-1)).toEqual(at);
  const before = sent.length;
  one.forget();
  vi.advanceTimersByTime(300);
  expect(sent).toHaveLength(before + 1);
});
