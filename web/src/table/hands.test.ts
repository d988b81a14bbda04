/** What a held pointer does to the open line: strokes, carrying, choosing; nothing is taken for what was not read yet. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Line } from "../api/types";
import { NOTHING, useInterface } from "../state/interface";
import type { Entry, Pointer } from "./entry";
import { Hands } from "./hands";

const place = (x: number): NonNullable<Pointer> => ({ x, y: 0, reach: 1, pixel: 0.1 }) as NonNullable<Pointer>;
let entries: Entry[];
let acts: unknown[];
let read: Partial<Line>;
let upToDate: boolean;
let hands: Hands;
let pointer: Pointer;

beforeEach(() => {
  useInterface.setState({ ...NOTHING });
  entries = [];
  acts = [];
  read = {};
  upToDate = true;
  pointer = place(3);
  hands = new Hands({
    session: {
      get upToDate() {
        return upToDate;
      },
      act: (act: unknown) => {
        acts.push(act);
        return Promise.resolve({ ok: true as const });
      },
      readNow: () => Promise.resolve(read as Line),
    },
    get pointer() {
      return pointer;
    },
    reading: () => ({ text: "" }) as never,
    inFrontOf: () => null,
    refresh: vi.fn(),
    push: (entry) => entries.push(entry),
  });
});

const begin = (kind: string, rows: string[] = []) =>
  useInterface.setState({ draft: { kind, rows, at: null, again: false } });

describe("stroking", () => {
  it("goes over what the pointer went over, and is written in its turn", async () => {
    begin("ink");
    expect(hands.strokeFrom(place(0))).toBe(true);
    hands.go(place(1));
    hands.go(place(2));
    hands.strokeDone();
    expect(entries).toMatchObject([
      {
        key: "stroke",
        stroke: [
          [0, 0],
          [1, 0],
          [2, 0],
        ],
      },
    ]);
    read = { brush: { gone: false, stretches: [], entries: [{ text: "ink C1", away: null }], words: [], why: "" } };
    await hands.write(pointer, entries[0]?.stroke ?? []);
    expect(acts).toMatchObject([{ do: "write_all", entries: [{ text: "ink C1" }] }]);
  });

  it("is dropped by Esc: coming up then writes nothing", () => {
    begin("ink");
    hands.strokeFrom(place(0));
    expect(hands.drop()).toBe(true);
    hands.strokeDone();
    expect(entries).toEqual([]);
    expect(hands.drop()).toBe(false);
  });

  it("is for kinds that are done so, with nothing given or typed yet", () => {
    begin("line");
    expect(hands.strokeFrom(place(0))).toBe(false);
    begin("ink", ["C1"]);
    expect(hands.strokeFrom(place(0))).toBe(false);
    begin("ink");
    useInterface.setState({ text: "C1 from" });
    expect(hands.strokeFrom(place(0))).toBe(false);
  });

  it("says why nothing of it can be done", async () => {
    read = { brush: { gone: true, stretches: [], entries: [], words: [], why: "nothing bounds it" } };
    await hands.write(pointer, [[0, 0]]);
    expect(acts).toEqual([]);
    expect(useInterface.getState().refused?.message).toBe("nothing bounds it");
  });
});

describe("carrying", () => {
  beforeEach(() => {
    useInterface.setState({ selected: "s1", others: ["s2"] });
  });

  it("asks with what is selected and where it was taken hold of; what was shown is written", async () => {
    hands.carries.begin(place(0));
    expect(hands.carries.now).toEqual({ figures: ["s1", "s2"], x: 0, y: 0, copied: false });
    read = { carry: { start: [0, 0], end: [3, 0], words: [], text: "move K1 by 3, 0" } };
    await hands.letDown(false);
    expect(acts).toMatchObject([{ do: "write", text: "move K1 by 3, 0" }]);
    expect(hands.carries.now).toBeNull();
  });

  it("dropped by Esc, or without a name to be carried by, it writes nothing", async () => {
    hands.carries.begin(place(0));
    hands.drop();
    await hands.letDown(false);
    hands.carries.begin(place(0));
    read = { carry: { start: [0, 0], end: [3, 0], words: ["it has no name"], text: "" } };
    await hands.letDown(true);
    expect(acts).toEqual([]);
    expect(useInterface.getState().refused?.message).toBe("it has no name");
  });
});

describe("choosing", () => {
  const selection = () => [useInterface.getState().selected, ...useInterface.getState().others];

  it("takes what is known to lie under the pointer at once", () => {
    useInterface.setState({ pointed: "a", others: ["x"] });
    hands.choose(false);
    expect(selection()).toEqual(["a"]);
    useInterface.setState({ pointed: null });
    hands.choose(false);
    expect(selection()).toEqual([null]);
  });

  it("with Shift figures are added and taken away again", () => {
    for (const id of ["a", "b", "c", "a", "c"]) {
      useInterface.setState({ pointed: id });
      hands.choose(true);
    }
    expect(selection()).toEqual(["b"]);
  });

  it("waits for what is not read yet, and takes that", async () => {
    upToDate = false;
    useInterface.setState({ pointed: "old" });
    hands.choose(false);
    expect(selection()).toEqual([null]);
    expect(entries).toMatchObject([{ key: "choose", pointer: place(3), more: false }]);
    read = { tag: { figure: "new" } as Line["tag"] };
    await hands.chosen(place(3), false);
    expect(selection()).toEqual(["new"]);
  });
});
