/** Held numbers, by what the kinds declare. */
import { describe, expect, it } from "vitest";

import { farFrom, heldNext, newId } from "./entry";

const LINE = { words: ["length", "direction"], behind: "" };
const CHAIN = { words: [], behind: "at" };

describe("Tab", () => {
  it.each([
    ["", "length ", undefined],
    ["length", "direction ", undefined],
    ["direction", "", undefined],
    ["40", "direction ", "length 40"],
    ["length 40", "direction ", "length 40"],
    ["direction 30", "length ", "direction 30"],
    ["lengthy", "direction ", "length lengthy"],
  ])("with %j in the row of a line says %j", (typed, text, entered) => {
    expect(heldNext(LINE, typed)).toEqual(entered === undefined ? { text } : { text, entered });
  });

  it.each([
    ["20", "+ 20 at "],
    ["+ 20", "+ 20 at "],
    ["140 - 16", "+ 140 - 16 at "],
  ])("with %j in the row of a chain goes on to the direction", (typed, text) => {
    expect(heldNext(CHAIN, typed)).toEqual({ text });
  });

  it.each(["", "20, 30", "20 at 90", "+ 20 at"])("with %j in the row of a chain does nothing", (typed) => {
    expect(heldNext(CHAIN, typed)).toBeNull();
  });

  it("does nothing where nothing is held", () => {
    expect(heldNext(null, "40")).toBeNull();
  });
});

describe("the pointer", () => {
  const at = (x: number, pixel = 1) => ({ x, y: 0, pixel }) as never;

  it("has moved when it went further than a hand trembles, whatever the zoom", () => {
    expect(farFrom(at(3), at(0))).toBe(false);
    expect(farFrom(at(5), at(0))).toBe(true);
    expect(farFrom(at(5, 10), at(0))).toBe(false);
    expect(farFrom(at(0), null)).toBe(true);
  });

  it("gives everything an id of its own", () => {
    const ids = new Set(Array.from({ length: 1000 }, newId));
    expect(ids.size).toBe(1000);
    for (const id of ids) expect(id).toMatch(/^[A-Za-z0-9_-]{1,64}$/);
  });
});
