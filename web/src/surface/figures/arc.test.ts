/** Large circles are laid out in chords that stay within a fraction of a pixel of the true rim, wherever the view is. */
import { beforeAll, describe, expect, it } from "vitest";

import type { Camera } from "../camera";
import { traceArc, traceCircle } from "./arc";
import { traceEndless, traceLine } from "./line";

class Recorder {
  points: [number, number][] = [];
  arcs: number[][] = [];
  moveTo(x: number, y: number) {
    this.points.push([x, y]);
  }
  lineTo(x: number, y: number) {
    this.points.push([x, y]);
  }
  arc(...values: number[]) {
    this.arcs.push(values);
  }
  rect(x: number, y: number) {
    this.points.push([x, y]);
  }
}

const recorded = (draw: (path: Path2D) => void): Recorder => {
  const path = new Recorder();
  draw(path as unknown as Path2D);
  return path;
};

beforeAll(() => {
  (globalThis as { Path2D?: unknown }).Path2D = Recorder;
});

/** A view of 1000 x 800 pixels on the rim of a circle about the origin, in direction `way` (radians). */
function onRim(radius: number, scale: number, way: number): Camera {
  return { x: radius * Math.cos(way), y: radius * Math.sin(way), scale, width: 1000, height: 800, turn: 0 };
}

describe("a circle that fills many screens", () => {
  const cases = [
    [1, 1e5],
    [100, 1e5],
    [1, 1e9],
    [1e6, 1e3],
    [5e5, 200],
  ] as const;
  for (const [radius, scale] of cases) {
    it(`of ${radius} units at ${scale} pixels a unit shows no corners`, () => {
      for (const way of [0, 0.3, 1.9, 3.7, 5.5]) {
        const camera = onRim(radius, scale, way);
        const { points } = recorded((p) => traceCircle(p, camera, 0, 0, radius));
        expect(points.length).toBeGreaterThan(1);
        expect(Math.max(...points.map(([x, y]) => Math.hypot(x - 500, y - 400)))).toBeGreaterThan(600);
        for (const [i, [x, y]] of points.entries()) {
          // How far off the rim a place is, worked out relative to the middle of the view: u along the radius, v across.
          const u = (x - 500) * Math.cos(way) - (y - 400) * Math.sin(way);
          const v = (x - 500) * Math.sin(way) + (y - 400) * Math.cos(way);
          const r = radius * scale;
          const off = u + (v * v + u * u) / (2 * r);
          // Doubles leave a share of 1e-16 of the largest pixel coordinate, and the camera's place has that of the drawing.
          expect(Math.abs(off)).toBeLessThan(0.05 + 4e-16 * r);
          const next = points[i + 1];
          if (next) expect(Math.hypot(next[0] - x, next[1] - y) ** 2 / (8 * r)).toBeLessThan(0.05);
        }
      }
    });
  }

  it("is not drawn where its rim is out of sight", () => {
    const camera = { ...onRim(100, 1e5, 0), x: 50 };
    expect(recorded((p) => traceCircle(p, camera, 0, 0, 100)).points).toEqual([]);
  });

  it("as an arc is drawn only over its sweep", () => {
    const camera = onRim(100, 1e5, 0);
    const drawn = recorded((p) => traceArc(p, camera, 0, 0, 100, -1, 0.5));
    expect(drawn.points).toEqual([]);
    const half = recorded((p) => traceArc(p, camera, 0, 0, 100, 0, 1)).points;
    expect(Math.max(...half.map(([, y]) => y))).toBeCloseTo(400, 6);
  });
});

describe("lines", () => {
  const camera: Camera = { x: 1e6, y: -1e6, scale: 50, width: 1000, height: 800, turn: 0 };
  it("far from the datum stay where they are to a fraction of a pixel", () => {
    const { points } = recorded((p) => traceLine(p, camera, 1e6, -1e6, 1e6 + 1, -1e6 + 1));
    expect(points).toEqual([
      [500, 400],
      [550, 350],
    ]);
  });
  it("that are very long are cut to the view", () => {
    const { points } = recorded((p) => traceLine(p, camera, -1e12, -1e6, 1e12, -1e6));
    for (const [x, y] of points) {
      expect(Math.abs(x)).toBeLessThan(1200);
      expect(y).toBeCloseTo(400, 3);
    }
  });
  it("without ends cross the whole view, and only where they are in it", () => {
    expect(recorded((p) => traceEndless(p, camera, 0, -1e6, 1, 0)).points.map(([x]) => x)).toEqual([-64, 1064]);
    expect(recorded((p) => traceEndless(p, camera, 0, 0, 1, 0)).points).toEqual([]);
  });
});
