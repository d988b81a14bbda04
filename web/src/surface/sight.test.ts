/** What is out of sight, and what may not be. */
import { describe, expect, it } from "vitest";

import type { Figure } from "../api/types";
import { Sight } from "./sight";
import { toDrawing } from "./turned";

const camera = { x: 100, y: 50, scale: 2, width: 400, height: 200, turn: 0 };
const boxed = (...box: number[]) => ({ kind: "circle", box }) as unknown as Figure;

describe("sight", () => {
  // The view is 200 by 100 about 100, 50.
  it.each([
    [[-10, 10, -0.1, 20], 0, true],
    [[-10, 10, -0.1, 20], 1, false],
    [[200.1, 10, 300, 20], 0, true],
    [[10, 100.1, 20, 300], 0, true],
    [[10, -90, 20, -0.1], 0, true],
    [[-1e9, -1e9, 1e9, 1e9], 0, false],
    [[90, 40, 91, 41], 0, false],
  ])("of a box %j with %i pixels around is hidden: %s", (box, margin, hidden) => {
    expect(new Sight(camera, margin).hides(boxed(...box))).toBe(hidden);
  });

  it.each([
    // A quarter turn: what lies above the middle of the turned paper lies to the left of it on paper that is not.
    [90, [40, 199, 60, 201], false],
    [90, [40, 201, 60, 203], true],
    [-90, [40, -201, 60, -199], false],
    // Turned by 45 degrees, the corner of a box reaches further than its sides.
    [45, [70, 70, 80, 80], false],
    [45, [-300, -10, -290, 0], true],
  ])("of a view turned by %f hides the box %j: %s", (turn, box, hidden) => {
    const turned = { ...camera, x: 0, y: 0, width: 800, height: 200, turn };
    expect(new Sight(turned).hides(boxed(...box))).toBe(hidden);
  });

  it("never hides what it shows, however it is turned", () => {
    for (let n = 0; n < 2000; n++) {
      const turned = { ...camera, turn: Math.random() * 360 };
      const [x, y] = toDrawing(turned, Math.random() * 400, Math.random() * 200);
      const [w, h] = [Math.random() * 50, Math.random() * 50];
      expect(new Sight(turned).hides(boxed(x - w, y - h, x + w * Math.random(), y + h))).toBe(false);
    }
  });

  it("never hides what runs on for ever", () => {
    const endless = { ...boxed(900, 900, 900, 900), through: [900, 900] };
    expect(new Sight(camera).hides(endless)).toBe(false);
    expect(new Sight(camera).hides(null)).toBe(false);
  });
});
