/** The camera: there and back, zooming about the pointer, and following what is placed. */
import { describe, expect, it } from "vitest";

import {
  type Box,
  brought,
  type Camera,
  fitted,
  roundBelow,
  toDrawingX,
  toDrawingY,
  toScreenX,
  toScreenY,
  zoomed,
} from "./camera";

const camera: Camera = { x: 10, y: 20, scale: 2, width: 800, height: 600, turn: 0 };
const everything: Box = [0, 0, 1000, 1000];

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
    expect(brought(camera, [0, 0, 20, 20], everything)).toBe(camera);
  });
  it("moves no further than it must for what lies just outside", () => {
    const moved = brought(camera, [205, 20, 230, 30], everything);
    expect(moved.scale).toBe(2);
    expect(toScreenX(moved, 230)).toBeLessThanOrEqual(800 - 40);
  });
  it("zooms out to everything for what is far away", () => {
    expect(brought(camera, [990, 990, 1000, 1000], everything).scale).toBeLessThan(1);
  });
  it("rounds to 1, 2, 5", () => {
    expect([0.03, 1, 7, 1999].map(roundBelow).map((n) => Number(n.toPrecision(3)))).toEqual([0.02, 1, 5, 1000]);
  });
});
