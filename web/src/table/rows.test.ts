/** Rows of a figure: a given changed goes back to its own place, a step of the book is opened as it can be mended. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Draft, Line, Outcome, Step } from "../api/types";
import { useDocument } from "../state/document";
import { NOTHING, useInterface } from "../state/interface";
import { Rows, untouched } from "./rows";

const draft = (kind: string, ...rows: string[]): Draft => ({
  kind,
  rows,
  at: null,
  again: false,
  clicks: [],
  beside: [],
});
/** What the server says of a step that is opened. */
const outcome = (draft: Draft | null): Outcome => ({
  do: "nothing",
  draft,
  act: null,
  statement: "",
  why: "",
  figure: null,
});
const stands = (to: Draft): Partial<Line> => ({
  enter: outcome(to),
});
let answer: Partial<Line> | null;
let rows: Rows;

beforeEach(() => {
  useInterface.setState({ ...NOTHING });
  const step = { id: "s", text: "circle centre 0, 0 radius 5" } as unknown as Step;
  useDocument.setState({ byId: new Map([["s", step]]) });
  answer = stands(draft("circle", "centre 0, 0", "radius 5"));
  rows = new Rows({
    reads: vi.fn(() => Promise.resolve(answer as Line | null)),
    type: (text) => useInterface.setState({ text }),
    refresh: vi.fn(),
    setDraft: (to) => useInterface.setState({ draft: to, text: "" }),
  });
});

const state = () => useInterface.getState();

describe("a given", () => {
  beforeEach(() => useInterface.setState({ draft: draft("path", "from 0, 0", "to 5, 5", "to 9, 9"), text: "" }));

  it("that is struck is gone from its row", () => {
    rows.strike(1);
    expect(state().draft?.rows).toEqual(["from 0, 0", "to 9, 9"]);
  });

  it("that is changed stands in the row, and knows its place", () => {
    rows.change(1);
    expect(state().text).toBe("to 5, 5");
    expect(state().draft).toMatchObject({ rows: ["from 0, 0", "to 9, 9"], at: 1 });
  });

  it("changed while another one is: that one goes back to its place", () => {
    rows.change(1);
    rows.change(0);
    expect(state().text).toBe("from 0, 0");
    expect(state().draft).toMatchObject({ rows: ["to 5, 5", "to 9, 9"], at: 0 });
    rows.change(1);
    expect(state().text).toBe("to 9, 9");
    expect(state().draft).toMatchObject({ rows: ["from 0, 0", "to 5, 5"], at: 2 });
  });

  it("takes along where it was clicked", () => {
    const clicks: [number, number][] = [[0, 0], [5, 5], [9, 9]]; // prettier-ignore
    useInterface.setState({ draft: { ...draft("path", "from 0, 0", "to 5, 5", "to 9, 9"), clicks } });
    rows.strike(0);
    expect(state().draft?.clicks).toEqual([[5, 5], [9, 9]]); // prettier-ignore
    useInterface.setState({ text: "to 20, 20" });
    rows.change(0);
    expect(state().draft).toMatchObject({ rows: ["to 9, 9", "to 20, 20"], clicks: [[9, 9], null], at: 0 });
  });

  it("typed at the end is kept when an earlier one is changed", () => {
    useInterface.setState({ text: "to 20, 20" });
    rows.change(0);
    expect(state().draft).toMatchObject({ rows: ["to 5, 5", "to 9, 9", "to 20, 20"], at: 0 });
  });
});

describe("a step of the book", () => {
  it("opens with its last given in the row, to be typed over or picked again", async () => {
    await rows.mend("s");
    expect(state().text).toBe("radius 5");
    expect(state().draft).toMatchObject({ kind: "circle", rows: ["centre 0, 0"] });
    expect(untouched()).toBe(true);
    useInterface.setState({ text: "radius 6" });
    expect(untouched()).toBe(false);
  });

  it("of a kind that has no end opens with all its givens", async () => {
    answer = stands(draft("path", "from 0, 0", "to 5, 5"));
    await rows.mend("s");
    expect(state().draft?.rows).toHaveLength(2);
    expect(state().text).toBe("");
  });

  it("that has no rows opens as one line", async () => {
    answer = { enter: outcome(null) };
    await rows.mend("s");
    expect(state().text).toBe("circle centre 0, 0 radius 5");
    expect(state().draft).toBeNull();
  });

  it("opens as one line over a lost connection", async () => {
    answer = null;
    await rows.mend("s");
    expect(state().text).toBe("circle centre 0, 0 radius 5");
  });

  it("gives back what was being written when it is left", async () => {
    const before = draft("line", "from 1, 1");
    useInterface.setState({ draft: before, text: "to 2" });
    await rows.mend("s");
    expect(state().text).toBe("radius 5");
    rows.leave();
    expect(state()).toMatchObject({ draft: before, text: "to 2", mend: null });
  });

  it("opened from another one still gives back what was written before both", async () => {
    useInterface.setState({ draft: draft("line", "from 1, 1"), text: "" });
    await rows.mend("s");
    expect(state().text).toBe("radius 5");
    void rows.mend("s");
    rows.leave();
    expect(state().draft).toEqual(draft("line", "from 1, 1"));
  });

  it("that was left before its rows came is not opened by them", async () => {
    void rows.mend("s");
    rows.leave();
    await Promise.resolve();
    await Promise.resolve();
    expect(state()).toMatchObject({ draft: null, text: "", mend: null });
  });

  it("is typed over by what was typed while it was being opened", async () => {
    const opened = rows.mend("s");
    useInterface.setState({ text: "7" });
    await opened;
    expect(state()).toMatchObject({ text: "7", draft: { kind: "circle", rows: ["centre 0, 0"] } });
  });

  it("that is no longer there is not opened", async () => {
    await rows.mend("gone");
    expect(state().mend).toBeNull();
  });
});
