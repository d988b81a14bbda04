/** The camera: there and back, zooming about the pointer, and following what is placed. */
import { describe, expect, it } from "vitest";

import {
  type Box,
  brought,
  type Camera,
  fitted,
  holds,
  roundBelow,
  small,
  toDrawingX,
  toDrawingY,
  toScreenX,
  toScreenY,
  zoomed,
} from "./camera";

const camera: Camera = { x: 10, y: 20, scale: 2, width: 800, height: 600, turn: 0 };

describe("camera", () => {
  it("turns y over and back", () => {
    expect([toScreenX(camera, 10), toScreenY(camera, 30)]).toEqual([400, 280]);
    expect([toDrawingX(camera, 400), toDrawingY(camera, 280)]).toEqual([10, 30]);
  });
  it("keeps the place under the pointer when zooming", () => {
    const near = zoomed(camera, 3.7, 123, 456);
    expect(toDrawingX(near, 123)).toBeCloseTo(toDrawingX(camera, 123), 12);
    expect(toDrawingY(near, 456)).toBeCloseTo(toDrawingY(camera, 456), 12);
  });
  it("shows the whole of a box, however flat", () => {
    const seen = fitted(camera, [0, 5, 100, 5]);
    expect(toScreenX(seen, 0)).toBeGreaterThanOrEqual(0);
    expect(toScreenX(seen, 100)).toBeLessThanOrEqual(800);
    expect(fitted(camera, [7, 7, 7, 7])).toMatchObject({ x: 7, y: 7, scale: 2 });
  });
  it("stays where it is for what is in sight", () => {
    expect(brought(camera, [0, 0, 20, 20], () => null)).toBe(camera);
  });
  it("moves no further than it must for what lies just outside", () => {
    const moved = brought(camera, [205, 20, 230, 30], () => null);
    expect(moved.scale).toBe(2);
    expect(toScreenX(moved, 230)).toBeLessThanOrEqual(800 - 40);
  });
  it("pushes nothing out of sight that was in it: it zooms out to hold both", () => {
    const seen: Box = [-180, -100, -150, -90];
    const both = brought(camera, [205, 20, 230, 30], () => seen);
    expect(both.scale).toBeLessThan(2);
    for (const box of [seen, [205, 20, 230, 30] as const]) expect(holds(both, box)).toBe(true);
    expect(brought(camera, [990, 990, 1000, 1000], () => [0, 0, 20, 20]).scale).toBeLessThan(1);
  });
  it("finds a figure small where the table would look empty, but not a place without size", () => {
    expect(small(camera, [0, 0, 40, 40])).toBe(true);
    expect(small(camera, [0, 0, 300, 4])).toBe(false);
    expect(small(camera, [7, 7, 7, 7])).toBe(false);
  });
  it("rounds to 1, 2, 5", () => {
    expect([0.03, 1, 7, 1999].map(roundBelow).map((n) => Number(n.toPrecision(3)))).toEqual([0.02, 1, 5, 1000]);
  });
});
