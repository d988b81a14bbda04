/** Names of figures: beside their own curve, never over one another, never where something else stands. */
import { describe, expect, it } from "vitest";

import type { Figure, Step } from "../../api/types";
import type { Camera } from "../camera";
import { placeNames, type Rect } from "./names";

const camera: Camera = { x: 0, y: 0, scale: 2, width: 800, height: 600, turn: 0 };
const step = (name: string, figure: Partial<Figure>) => ({ name, figure, hidden: false }) as unknown as Step;
const circle = (name: string, radius: number, centre = [0, 0]) => step(name, { kind: "circle", centre, radius });
const place = (steps: Step[], taken: Rect[] = []) => placeNames(camera, steps, (t) => t.length * 7, taken);
const overlap = (a: Rect, b: Rect) => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3];

describe("names", () => {
  it("stand beside their own curve", () => {
    const [name] = place([circle("C1", 50)]);
    const [left = 0, , , bottom = 0]: readonly number[] = name?.rect ?? [];
    // At 45 degrees on the rim, 100 pixels from the middle of the view, a little outside.
    expect(Math.hypot(left - 400, bottom - 300)).toBeGreaterThan(100);
    expect(Math.hypot(left - 400, bottom - 300)).toBeLessThan(112);
  });

  it("of figures in one spot stand side by side, and none is lost", () => {
    const names = place([1, 2, 3, 4, 5, 6].map((n) => circle(`C${n}`, 40)));
    expect(names).toHaveLength(6);
    for (const a of names) for (const b of names) if (a !== b) expect(overlap(a.rect, b.rect)).toBe(false);
  });

  it("keep clear of what is there, and out of sight there are none", () => {
    const taken: Rect = [0, 0, 800, 300];
    const names = place([circle("C1", 50), circle("C2", 5, [1000, 0])], [taken]);
    expect(names.map((n) => n.text)).toEqual(["C1"]);
    expect(names[0]?.rect[1]).toBeGreaterThanOrEqual(300);
  });

  it("are known for every kind of figure", () => {
    const kinds: Partial<Figure>[] = [
      { kind: "point", at: [0, 0] },
      { kind: "line", from: [-50, 0], to: [50, 20] },
      { kind: "line", through: [0, -40], direction: 30 },
      { kind: "arc", centre: [0, 0], radius: 60, from: [60, 0], sweep: -90 },
      { kind: "ellipse", centre: [0, 0], axes: [80, 20], turned: 10 },
      { kind: "ellipse", centre: [0, 0], axes: [90, 70], turned: 10, part: [10, 80] },
      { kind: "outline", pieces: [{ kind: "line", from: [0, 0], to: [10, 90] }] },
    ];
    expect(place(kinds.map((figure, n) => step(`N${n}`, figure)))).toHaveLength(kinds.length);
  });
});
