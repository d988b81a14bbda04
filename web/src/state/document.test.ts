/** The book as the messages make it: whole, or what differs, in the order that they say. */
import { beforeEach, describe, expect, it } from "vitest";

import type { Book, Step } from "../api/types";
import { forgetDocument, takeBook, useDocument } from "./document";

const step = (id: string, text = id) => ({ id, text }) as unknown as Step;
const message = (more: Partial<Book>): Book =>
  ({
    type: "book",
    id: "d",
    name: "d",
    revision: 1,
    whole: false,
    gone: [],
    placed: [],
    steps: [],
    undo: null,
    redo: null,
    last: [0, 0],
    ...more,
  }) as unknown as Book;
const ids = () => useDocument.getState().steps.map((s) => s.id);

beforeEach(() => {
  forgetDocument("d");
  takeBook(message({ whole: true, steps: ["a", "b", "c", "d"].map((id) => step(id)) }));
});

describe("what differs", () => {
  it("is put in front of its neighbour, or at the end", () => {
    takeBook(message({ steps: [step("x")], placed: [{ id: "x", in_front_of: "b" }] }));
    takeBook(message({ steps: [step("y")], placed: [{ id: "y", in_front_of: null }] }));
    expect(ids()).toEqual(["a", "x", "b", "c", "d", "y"]);
  });

  it("may be several in a row: the last first, so that each finds its neighbour", () => {
    const placed = [
      { id: "z", in_front_of: "c" },
      { id: "y", in_front_of: "z" },
      { id: "x", in_front_of: "y" },
    ];
    takeBook(message({ steps: ["x", "y", "z"].map((id) => step(id)), placed }));
    expect(ids()).toEqual(["a", "b", "x", "y", "z", "c", "d"]);
  });

  it("moves without being sent again", () => {
    takeBook(message({ placed: [{ id: "d", in_front_of: "a" }] }));
    expect(ids()).toEqual(["d", "a", "b", "c"]);
    expect(useDocument.getState().fresh).toEqual([]);
  });

  it("is gone, also what others stood in front of", () => {
    takeBook(message({ gone: ["b", "c"], placed: [{ id: "a", in_front_of: "d" }] }));
    expect(ids()).toEqual(["a", "d"]);
    expect(useDocument.getState().byId.has("b")).toBe(false);
  });

  it("changes in its place, and is what is fresh", () => {
    takeBook(message({ steps: [step("b", "other")] }));
    expect(ids()).toEqual(["a", "b", "c", "d"]);
    expect(useDocument.getState().byId.get("b")?.text).toBe("other");
    expect(useDocument.getState().steps[1]?.text).toBe("other");
    expect(useDocument.getState().fresh).toEqual(["b"]);
  });

  it("leaves what it does not name as the very same thing, so that nothing is drawn again", () => {
    const before = useDocument.getState().byId.get("a");
    takeBook(message({ steps: [step("x")], placed: [{ id: "x", in_front_of: null }] }));
    expect(useDocument.getState().byId.get("a")).toBe(before);
  });
});

describe("what a change stopped", () => {
  const drawn = (id: string) => ({ id, text: id, problem: null, off: false }) as unknown as Step;
  const waits = (id: string, off = false) => ({ id, text: id, problem: { kind: "waits" }, off }) as unknown as Step;
  beforeEach(() => {
    takeBook(message({ whole: true, steps: ["a", "b", "c"].map(drawn) }));
  });

  it("is what was drawn before and waits now", () => {
    takeBook(message({ gone: ["a"], steps: [waits("b"), drawn("c")] }));
    expect(useDocument.getState().stopped).toEqual(["b"]);
  });

  it("is not said again of what waited already, nor of what was switched off itself", () => {
    takeBook(message({ steps: [waits("b"), waits("c", true)] }));
    takeBook(message({ steps: [waits("b")] }));
    expect(useDocument.getState().stopped).toEqual([]);
  });

  it("is forgotten with the next change, and when the book comes whole", () => {
    takeBook(message({ steps: [waits("b")] }));
    takeBook(message({ whole: true, steps: [drawn("a"), waits("b"), waits("c")] }));
    expect(useDocument.getState().stopped).toEqual([]);
  });
});

it("a whole book takes the place of all that was known", () => {
  takeBook(message({ whole: true, steps: [step("n")], revision: 9 }));
  expect(ids()).toEqual(["n"]);
  expect(useDocument.getState()).toMatchObject({ revision: 9, connection: "open" });
  expect(useDocument.getState().byId.size).toBe(1);
});
