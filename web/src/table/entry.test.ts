/** Held numbers and drags, by what the kinds declare. */
import { describe, expect, it } from "vitest";

import type { Line } from "../api/types";
import { dragEnd, dragWords, farFrom, heldNext, newId } from "./entry";

const LINE = { words: ["length", "direction"], behind: "" };
const CHAIN = { words: [], behind: "at" };
const over = (of_figure: boolean) => ({ tag: { of_figure } }) as unknown as Line;

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

describe("a drag", () => {
  const drag = { start: "from", end: "to", figure: "square", behind: 0 };

  it("goes from place to place", () => {
    const words = dragWords(drag, 0, over(false));
    expect(words?.start).toBe("from");
    expect(words && dragEnd(words, over(true))).toBe("to");
  });

  it("goes from figure to figure", () => {
    const words = dragWords(drag, 0, over(true));
    expect(words?.start).toBe("square");
    expect(words && dragEnd(words, over(true))).toBe("square");
  });

  it("that began at a figure and ends at a place runs from there", () => {
    const words = dragWords(drag, 0, over(true));
    expect(words && dragEnd(words, over(false))).toBe("from");
  });

  it("states nothing once a given stands, or where the figure takes no two places", () => {
    expect(dragWords(drag, 1, over(false))).toBeNull();
    expect(dragWords(null, 0, over(false))).toBeNull();
  });

  it("from figure to figure is only where that means something", () => {
    const words = dragWords({ start: "through", end: "through", figure: "", behind: 0 }, 0, over(true));
    expect(words).toEqual({ start: "through", end: "through", figure: "", behind: 0 });
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
