/** The view while something is written: in sight, back again, never against somebody's own view. */
import { beforeEach, describe, expect, it } from "vitest";

import type { Line, Step } from "../api/types";
import { useDocument } from "../state/document";
import { NOTHING, useInterface } from "../state/interface";
import { type Box, type Camera, holds } from "./camera";
import { Following } from "./following";

const START: Camera = { x: 0, y: 0, scale: 2, width: 800, height: 600, turn: 0 };
let camera: Camera;
let following: Following;

const step = (id: string, box: Box) => ({ id, figure: { kind: "line", box }, further: [] }) as unknown as Step;
const drawn = (...steps: Step[]) => useDocument.setState({ steps, byId: new Map(steps.map((s) => [s.id, s])) });
const line = (row: string, box: Box | null, last: number[] | null = null) =>
  ({ row, box, last, picks: [], enter: { statement: row } }) as unknown as Line;
const types = (text: string, box: Box | null) => {
  useInterface.setState({ text });
  following.typed(line(text, box));
};

beforeEach(() => {
  camera = START;
  following = new Following(
    () => camera,
    (next) => (camera = next),
  );
  useInterface.setState({ ...NOTHING });
  drawn();
});

describe("what is typed", () => {
  it("is kept in sight, and the view comes back with its numbers", () => {
    types("circle 0, 0 r 900", [-900, -900, 900, 900]);
    expect(holds(camera, [-900, -900, 900, 900])).toBe(true);
    types("circle 0, 0 r 9", [-9, -9, 9, 9]);
    expect(camera).toBe(START);
  });

  it("leaves the view as it was when it is not written", () => {
    types("circle 0, 0 r 900", [-900, -900, 900, 900]);
    types("", null);
    expect(camera).toBe(START);
  });

  it("comes back in the middle of a figure, too, and stays once it is entered", () => {
    const draft = (...rows: string[]) => ({ kind: "path", rows, at: null, again: false, clicks: [], beside: [] });
    useInterface.setState({ draft: draft("from 0, 0", "to 9, 0") });
    following.typed(line("", null, [9, 0]));
    types("+ 0, 900", [0, 0, 9, 900]);
    expect(camera).not.toBe(START);
    types("", null);
    expect(camera).toBe(START);
    types("+ 0, 900", [0, 0, 9, 900]);
    const out = camera;
    useInterface.setState({ draft: draft("from 0, 0", "to 9, 0", "to + 0, 900"), text: "" });
    following.typed(line("", null, [9, 900]));
    expect(camera).toBe(out);
  });

  it("is followed once, whatever the pointer does, and not against a view that was chosen since", () => {
    types("circle 0, 0 r 900", [-900, -900, 900, 900]);
    following.steered();
    camera = { ...START, scale: 5 };
    following.typed(line("circle 0, 0 r 900", [-900, -900, 900, 900]));
    types("", null);
    expect(camera.scale).toBe(5);
  });
});

describe("what is placed", () => {
  it("fills the table while it is the first, and not once the view is somebody's own", () => {
    const typed = () => types("rectangle 0, 0 size 40, 30", [0, 0, 40, 30]);
    typed();
    drawn(step("a", [0, 0, 40, 30]));
    following.placed(["a"]);
    expect(camera.scale).toBeGreaterThan(10);
    // What was clicked stays under the pointer.
    camera = START;
    following.placed(["a"]);
    expect(camera).toBe(START);
    typed();
    following.steered();
    following.placed(["a"]);
    expect(camera).toBe(START);
  });

  it("pushes nothing out of sight", () => {
    const boxes: Box[] = [
      [-190, -140, -150, -100],
      [0, 0, 10, 10],
      [5, 5, 6, 6],
      [180, 130, 230, 160],
    ];
    drawn(...boxes.map((box, n) => step(String(n), box)));
    following.placed(["3"]);
    for (const box of boxes) expect(holds(camera, box)).toBe(true);
  });

  it("is brought into sight while the figure is still being written", () => {
    useInterface.setState({
      draft: { kind: "line", rows: ["from 900, 0"], at: null, again: false, clicks: [], beside: [] },
    });
    following.typed(line("", null, [900, 0]));
    expect(holds(camera, [900, 0, 900, 0])).toBe(true);
  });
});
