import { describe, expect, it } from "vitest";

import { stoppedWords } from "./Stopped";

describe("what a change stopped, in words", () => {
  it.each([
    [["C2"], "striking line L1", "C2 cannot be drawn any more, after striking line L1."],
    [["C2", "A1"], "striking line L1", "C2 and A1 cannot be drawn any more, after striking line L1."],
    [["A", "B", "C", "D", "E"], null, "A, B, C, D and E cannot be drawn any more."],
    [["A", "B", "C", "D", "E", "F", "G"], null, "A, B, C, D and 3 more cannot be drawn any more."],
  ])("names %j", (names, change, words) => {
    expect(stoppedWords(names, change)).toBe(words);
  });
});
