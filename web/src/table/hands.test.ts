/** What a pointer holds that is down: strokes, what is carried, the beginning of a drag. */
import { beforeEach, describe, expect, it } from "vitest";

import { NOTHING, useInterface } from "../state/interface";
import type { Pointer } from "./entry";
import { Hands } from "./hands";

const place = (x: number): NonNullable<Pointer> => ({ x, y: 0, reach: 1, pixel: 0.1 }) as NonNullable<Pointer>;
let hands: Hands;

beforeEach(() => {
  useInterface.setState({ ...NOTHING });
  hands = new Hands();
});

const begin = (kind: string, rows: string[] = []) =>
  useInterface.setState({ draft: { kind, rows, at: null, again: false, clicks: [], beside: [] } });

describe("stroking", () => {
  it("goes over what the pointer went over, until it comes up", () => {
    begin("ink");
    expect(hands.strokeFrom(place(0))).toBe(true);
    hands.go(place(1));
    hands.go(place(2));
    expect(hands.release().stroke).toEqual([[0, 0], [1, 0], [2, 0]]); // prettier-ignore
    hands.go(place(3));
    expect(hands.now.stroke).toEqual([]);
  });

  it("is dropped by Esc: coming up then holds nothing", () => {
    begin("ink");
    hands.strokeFrom(place(0));
    expect(hands.drop()).toBe(true);
    expect(hands.now.stroke).toEqual([]);
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
});

describe("carrying and dragging", () => {
  it("holds what is selected and where it was taken hold of, and whether it stays as well", () => {
    useInterface.setState({ selected: "s1", others: ["s2"] });
    hands.carryFrom(place(0));
    hands.copies(true);
    expect(hands.now.carry).toEqual({ figures: ["s1", "s2"], x: 0, y: 0, copied: true });
    hands.drop();
    hands.copies(true);
    expect(hands.now.carry).toBeNull();
  });

  it("holds where a drag began", () => {
    hands.dragFrom(place(4));
    expect(hands.release().drag).toEqual(place(4));
    expect(hands.now.drag).toBeNull();
  });
});
