import { describe, expect, it } from "vitest";

import { directionsIn, numberIn } from "./stepNumbers";

describe("numbers for steps", () => {
  it.each([
    ["15", 0, 180, false, 15],
    ["22,5", 0, 180, false, 22.5],
    ["0", 0, 180, false, 0],
    ["200", 0, 180, false, "200 will not do: 0 to 180."],
    ["", 0, 1e9, false, "Not a number: 0 or more."],
    ["abc", 2, 99, true, "Not a number: 2 to 99."],
    ["2.6", 2, 99, true, "2.6 is not whole: 3, say."],
  ])("%j between %d and %d", (typed, least, most, whole, expected) => {
    expect(numberIn(typed, least, most, whole)).toBe(expected);
  });

  it.each([
    ["22.5, 67.5", [22.5, 67.5]],
    ["10;20 -30", [10, 20, -30]],
    ["", []],
    ["10, 400", "400 is no direction: degrees up to 360, such as 22.5."],
    ["N45E", "N45E is no direction: degrees up to 360, such as 22.5."],
  ])("directions in %j", (typed, expected) => {
    expect(directionsIn(typed)).toEqual(expected);
  });
});
