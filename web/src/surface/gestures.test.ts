/** What the way of the pointer says, told from what a hand does without meaning anything by it. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Draft, Line } from "../api/types";
import { Gestures } from "./gestures";

const CHAIN: Draft = { kind: "path", rows: ["from 0, 0", "to 100, 0"], at: null, again: false, clicks: [], beside: [] };

function line(more: Partial<Line>): Line {
  return { last: null, leaving: null, around: null, tag: null, ...more } as Line;
}

const at = (x: number, y: number) => ({ x, y, pixel: 1 });

let passed = 0;
let stepping = false;
let gestures: Gestures;

beforeEach(() => {
  vi.useFakeTimers();
  passed = 0;
  stepping = false;
  gestures = new Gestures(
    () => passed++,
    () => stepping,
  );
});
afterEach(() => vi.useRealTimers());

describe("leaving the last end", () => {
  const begun = () => gestures.show(line({ last: [100, 0], leaving: 0 }), CHAIN, false);
  const go = (...places: [number, number][]) => places.forEach(([x, y]) => gestures.move(at(x, y)));

  it("along the chain means a line", () => {
    begun();
    go([200, 0], [102, 1], [130, 2]);
    expect(gestures.swing).toBe(false);
  });

  it("sideways, after coming back to it, means an arc", () => {
    begun();
    go([200, 0], [102, 1], [101, 40]);
    expect(gestures.swing).toBe(true);
  });

  it("sideways without having come back means nothing", () => {
    begun();
    go([101, 40], [101, 80]);
    expect(gestures.swing).toBe(false);
  });

  it("sideways after a rest there means nothing", () => {
    begun();
    go([200, 0], [102, 1]);
    vi.advanceTimersByTime(400);
    go([101, 40]);
    expect(gestures.swing).toBe(false);
  });

  it("is over once the next given stands", () => {
    begun();
    go([200, 0], [102, 1], [101, 40]);
    gestures.show(
      line({ last: [101, 40], leaving: 90 }),
      { ...CHAIN, rows: [...CHAIN.rows, "curve to 101, 40"] },
      false,
    );
    expect(gestures.swing).toBe(false);
  });

  it("back along the chain, and sideways again, is decided by the last time", () => {
    begun();
    go([200, 0], [102, 1], [101, 40], [100, 3], [140, 0]);
    expect(gestures.swing).toBe(false);
  });
});

describe("going around a centre", () => {
  const arc: Draft = {
    kind: "arc",
    rows: ["centre 0, 0", "from 10, 0"],
    at: null,
    again: false,
    clicks: [],
    beside: [],
  };
  const around = () => gestures.show(line({ last: [10, 0], around: [0, 0] }), arc, false);

  it("counts the way that was gone, past half a turn too", () => {
    gestures.move(at(10, 0));
    around();
    for (let d = 0; d <= 270; d += 15) {
      gestures.move(at(10 * Math.cos((d * Math.PI) / 180), 10 * Math.sin((d * Math.PI) / 180)));
    }
    expect(gestures.turned).toBeCloseTo(270);
  });

  it("clockwise is negative, and going back takes it back", () => {
    gestures.move(at(10, 0));
    around();
    for (const d of [0, -60, -120, -60, 0, 30]) {
      gestures.move(at(10 * Math.cos((d * Math.PI) / 180), 10 * Math.sin((d * Math.PI) / 180)));
    }
    expect(gestures.turned).toBeCloseTo(30);
  });

  it("begins with the short way from the beginning to where the pointer is", () => {
    gestures.move(at(0, -10));
    around();
    expect(gestures.turned).toBeCloseTo(-90);
  });
});

describe("resting over a place", () => {
  const rest = (words: string | null, ms = 400) => {
    const tag = words === null ? null : ({ passes: words } as Line["tag"]);
    gestures.show(line({ tag }), CHAIN, false);
    vi.advanceTimersByTime(ms);
  };

  it("starts sight lines there, and again drops them", () => {
    rest("end of L1");
    expect(gestures.passed).toEqual(["end of L1"]);
    rest(null);
    rest("end of L1");
    expect(gestures.passed).toEqual([]);
    expect(passed).toBe(2);
  });

  it("for a moment only starts none", () => {
    rest("end of L1", 100);
    rest(null);
    expect(gestures.passed).toEqual([]);
  });

  it("keeps the newest few", () => {
    for (const words of ["a", "b", "c", "d", "e"]) rest(words);
    expect(gestures.passed).toEqual(["b", "c", "d", "e"]);
  });

  it("adds nothing while the ways of taking it are stepped through", () => {
    stepping = true;
    rest("end of L1");
    expect(gestures.passed).toEqual([]);
  });

  it("means nothing while nothing is written or pulled", () => {
    gestures.show(line({ tag: { passes: "end of L1" } as Line["tag"] }), null, false);
    vi.advanceTimersByTime(400);
    expect(gestures.passed).toEqual([]);
    gestures.show(line({ tag: { passes: "end of L1" } as Line["tag"] }), null, true);
    vi.advanceTimersByTime(400);
    expect(gestures.passed).toEqual(["end of L1"]);
  });

  it("ends with the figure that it helped to place", () => {
    rest("end of L1");
    gestures.show(line({}), { kind: "path", rows: [], at: null, again: true, clicks: [], beside: [] }, false);
    expect(gestures.passed).toEqual([]);
  });

  it("is forgotten when the table is closed before it counts", () => {
    rest("end of L1", 100);
    gestures.close();
    vi.advanceTimersByTime(1000);
    expect(gestures.passed).toEqual([]);
  });
});
