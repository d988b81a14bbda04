import { beforeEach, expect, test } from "vitest";

import { mendedBy, menderOf, names, takeOthers, useOthers } from "./others";

const ann = { seat: "a-1", name: "Ann", at: [1, 2] as [number, number], selected: [], mending: null };
const bo = { seat: "b-1", name: "Bo", at: null, selected: [], mending: "s7" };

beforeEach(() => useOthers.setState({ others: [] }));

test("who keeps still is known since when, and starts anew on moving", () => {
  takeOthers([ann, bo], 100);
  takeOthers([{ ...ann, selected: ["s1"] }, bo], 200);
  expect(useOthers.getState().others.map((o) => o.since)).toEqual([100, 100]);
  takeOthers([{ ...ann, at: [1, 3] }, bo], 300);
  expect(useOthers.getState().others.map((o) => o.since)).toEqual([300, 100]);
  takeOthers([bo], 400);
  takeOthers([ann, bo], 500);
  expect(useOthers.getState().others.map((o) => o.since)).toEqual([500, 100]);
});

test("somebody who has it open twice is one person, who mends what either mends", () => {
  takeOthers([bo, { ...bo, seat: "b-2", mending: null }, ann], 0);
  const { others } = useOthers.getState();
  expect(names(others)).toEqual(["Ann", "Bo"]);
  expect(mendedBy(others, "Bo")).toBe("s7");
  expect(mendedBy(others, "Ann")).toBeNull();
  expect(menderOf(others, "s7")).toBe("Bo");
  expect(menderOf(others, "s8")).toBeNull();
});
