/** What is out of sight, and what may not be. */
import { describe, expect, it } from "vitest";

import type { Figure } from "../api/types";
import { Sight } from "./sight";

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

  it("never hides what runs on for ever, or what turned paper may show", () => {
    const endless = { ...boxed(900, 900, 900, 900), through: [900, 900] };
    expect(new Sight(camera).hides(endless)).toBe(false);
    expect(new Sight({ ...camera, turn: 30 }).hides(boxed(900, 900, 901, 901))).toBe(false);
    expect(new Sight(camera).hides(null)).toBe(false);
  });
});
