/** The part of the surface that an edit touches: all of what is, or was, to be seen of it, and no more than has to be. */
import { describe, expect, it, vi } from "vitest";

import type { Shown } from "../state/figures";
import { Damage, partOf } from "./damage";

const camera = { x: 100, y: 50, scale: 2, width: 400, height: 200, turn: 0 };
const figure = (box: readonly number[] | undefined, more = {}): Shown =>
  ({ name: "", figure: { kind: "circle", box, ...more } }) as unknown as Shown;

describe("the part that figures lie in", () => {
  it("has room for their strokes and their names", () => {
    // From 100 to 110 across and 50 to 60 up: from pixel 200 to 220, and 80 to 100.
    expect(partOf(camera, [figure([100, 50, 110, 60])], 1)).toEqual([188, 56, 232, 112]);
    expect(partOf(camera, [{ ...figure([100, 50, 110, 60]), name: "P12" }], 1)).toEqual([188, 56, 262, 112]);
  });

  it("is that around all of them, and ends where the surface does", () => {
    const part = partOf(camera, [figure([100, 50, 110, 60]), figure([-900, 0, -890, 10])], 1);
    expect(part).toEqual([0, 56, 232, 200]);
  });

  it("lies on whole pixels of the screen", () => {
    for (const ratio of [1, 1.25, 1.5, 2, 3]) {
      const part = partOf(camera, [figure([100.13, 50.17, 110.19, 60.23])], ratio) ?? [];
      for (const edge of part) expect(Math.abs(edge * ratio - Math.round(edge * ratio))).toBeLessThan(1e-9);
    }
  });

  it("holds a figure on turned paper", () => {
    // A quarter turn about the middle of the view, 100, 50, which then lies at 50, -100 of the turned paper.
    const turned = { ...camera, x: 50, y: -100, turn: 90 };
    expect(partOf(turned, [figure([100, 50, 110, 60])], 1)).toEqual([188, 76, 232, 132]);
  });

  it("is all where nobody can say how far a figure goes", () => {
    expect(partOf(camera, [figure(undefined)], 1)).toBeNull();
    expect(partOf(camera, [figure([0, 0, 1, 1], { through: [0, 0] })], 1)).toBeNull();
    expect(partOf(camera, [figure([0, 0, 1, 1], { kind: "paper" })], 1)).toBeNull();
  });

  it("is empty where nothing is drawn, or it is out of sight", () => {
    for (const shown of [[], [{ name: "A", figure: null } as Shown], [figure([900, 900, 901, 901])]]) {
      const [left = 0, top = 0, right = 0, bottom = 0] = partOf(camera, shown, 1) ?? [];
      expect(right <= left || bottom <= top).toBe(true);
    }
  });
});

describe("damage", () => {
  const one = figure([100, 50, 110, 60]);

  it("is all at first, then what was touched, then nothing", () => {
    vi.stubGlobal("devicePixelRatio", 1);
    const damage = new Damage();
    damage.add([one]);
    expect(damage.take(camera)).toBeNull();
    damage.add([one]);
    expect(damage.take(camera)).toEqual([188, 56, 232, 112]);
    damage.add([one]);
    damage.all();
    expect(damage.take(camera)).toBeNull();
  });

  it("is all where very many figures were touched", () => {
    const damage = new Damage();
    damage.take(camera);
    damage.add(Array.from({ length: 501 }, () => one));
    expect(damage.take(camera)).toBeNull();
  });
});
