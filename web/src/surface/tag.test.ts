/** The tag keeps off what is being drawn, and on the surface. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Line } from "../api/types";
import { NOTHING, useInterface } from "../state/interface";
import { placeTag, showTag } from "./tag";

let shown: string[] = [];
const tag = {
  offsetWidth: 100,
  offsetHeight: 40,
  style: { transform: "" },
  dataset: {},
  replaceChildren: (...rows: { textContent: string }[]) => {
    shown = rows.map((row) => row.textContent);
  },
} as unknown as HTMLDivElement;

/** On which side of the pointer the tag stands: right or left, below or above. */
function sides(x: number, y: number): string {
  placeTag(tag, x, y, 800, 600);
  const [, tx = "0", ty = "0"] = /translate\((-?\d+)px, (-?\d+)px\)/.exec(tag.style.transform) ?? [];
  return `${Number(tx) > x ? "right" : "left"} ${Number(ty) > y ? "below" : "above"}`;
}

function comesFrom(pixel: [number, number] | null): void {
  useInterface.setState({
    ...NOTHING,
    draft: pixel && { kind: "line", rows: ["from 0, 0"], at: null, again: false, clicks: [], beside: [] },
  });
  const line = { last: [0, 0], tag: null, picks: [], unfit: null, live: null, pull: null } as unknown as Line;
  showTag(tag, line, null, () => pixel);
}

beforeEach(() => {
  vi.stubGlobal("document", { createElement: () => ({ dataset: {} }) });
  comesFrom(null);
});

describe("the tag", () => {
  it("stands to the right and below where nothing is being drawn", () => {
    expect(sides(400, 300)).toBe("right below");
  });

  it("stands on the far side of the way from the last place", () => {
    comesFrom([600, 500]);
    expect(sides(400, 300)).toBe("left above");
    comesFrom([200, 500]);
    expect(sides(400, 300)).toBe("right above");
  });

  it("stays on the surface", () => {
    expect(sides(780, 590)).toBe("left above");
    comesFrom([600, 500]);
    expect(sides(20, 10)).toBe("right below");
  });

  it("says why a click states nothing, and no place as if it did", () => {
    useInterface.setState({
      ...NOTHING,
      draft: { kind: "fillet", rows: [], at: null, again: false, clicks: [], beside: [] },
    });
    const at = { words: "60, 25", at: [60, 25], kind: "", more: 0, told: [] };
    const line = {
      tag: at,
      picks: [],
      picked: 0,
      click: null,
      live: { length: "5", direction: "0", across: "5", up: "0" },
    };
    const idle = { ...line, last: null, pull: null, unfit: "No figure lies here." } as unknown as Line;
    showTag(tag, idle, null, () => null);
    expect(shown).toEqual(["No figure lies here."]);
    showTag(tag, { ...idle, unfit: null, picks: ["at 60, 25"] }, null, () => null);
    expect(shown).toEqual(["at 60, 25", "5 at 0", "across 5 · up 0"]);
  });
});
