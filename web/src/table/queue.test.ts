/** What is entered fast and what goes wrong in the middle of it: nothing is lost, nothing is done out of its turn. */
import { describe, expect, it } from "vitest";

import type { Entry } from "./entry";
import { changed, comesBack, EMPTY, kindSoon, leaves, type Queue, waiting } from "./queue";

const enter = (text: string): Entry => ({ key: "enter", given: { text } });
const click = (text = ""): Entry => ({ key: "click", given: { text } });
const escape: Entry = { key: "escape" };
const pushed = (queue: Queue, entry: Entry): Queue => changed(queue, { to: "push", entry });
const done = (queue: Queue): Queue => changed(queue, { to: "done" });
const putBack = (queue: Queue, typedSince: string): Queue => changed(queue, { to: "put back", typedSince });
const of = (...entries: Entry[]): Queue => entries.reduce(pushed, EMPTY);
const textOf = (entry: Entry): string => ("given" in entry ? (entry.given.text ?? "") : "");

describe("the queue", () => {
  it("does one after the other, in the order of the keys", () => {
    let queue = of(enter("a"), click(), enter("b"));
    const order: string[] = [];
    for (let entry = queue.entries[0]; entry; entry = queue.entries[0]) {
      order.push(textOf(entry));
      queue = done(queue);
    }
    expect(order).toEqual(["a", "", "b"]);
  });

  it("is never changed, only made anew", () => {
    const queue = of(enter("a"));
    pushed(queue, enter("b"));
    done(queue);
    putBack(queue, "c");
    expect(queue).toEqual(of(enter("a")));
  });

  it("shows what waits: not the one being done, nor what has no text", () => {
    expect(waiting(of(enter("a"), escape, enter(""), enter("b")))).toEqual(["b"]);
  });

  it("puts a wrong entry back and keeps what was entered and typed after it, in that order", () => {
    const queue = putBack(of(enter("crcle"), enter("20, 20"), click(), enter("12")), "li");
    expect(queue).toEqual({ entries: [], behind: ["20, 20", "12", "li"] });
    expect(waiting(queue)).toEqual(["20, 20", "12", "li"]);
  });

  it("leaves nothing behind for a row that was entered empty", () => {
    const queue = putBack(of(enter("crcle"), enter(""), enter("12")), "");
    expect(comesBack(queue)).toBe("12");
    expect(changed(queue, { to: "come back" })).toEqual(EMPTY);
  });

  it("keeps what was behind an earlier slip behind a later one", () => {
    const first = putBack(of(enter("a"), enter("b")), "");
    const second = putBack(pushed(first, enter("c")), "d");
    expect(second.behind).toEqual(["d", "b"]);
  });

  it("gives back one at a time, and none while something is under way", () => {
    const queue = putBack(of(enter("a"), enter("b"), enter("c")), "");
    expect(comesBack(queue)).toBe("b");
    expect(changed(queue, { to: "come back" })).toEqual({ entries: [], behind: ["c"] });
    expect(comesBack(pushed(queue, enter("x")))).toBeNull();
    expect(comesBack(EMPTY)).toBeNull();
  });

  it("loses no text whatever happens in whatever order", () => {
    // A small generator of one's own: the same numbers every time.
    let seed = 7;
    const dice = (n: number) => (seed = (seed * 48271) % 2147483647) % n;
    for (let round = 0; round < 500; round++) {
      let queue = EMPTY;
      const given: string[] = [];
      const seen: string[] = [];
      for (let n = 0; n < 12; n++) {
        const what = dice(4);
        if (what < 2) {
          given.push(`${round}.${n}`);
          queue = pushed(queue, enter(`${round}.${n}`));
        } else if (what === 2 && queue.entries[0]) {
          seen.push(textOf(queue.entries[0]));
          queue = done(queue);
        } else if (queue.entries[0]) {
          seen.push(textOf(queue.entries[0]));
          queue = putBack(queue, "");
        } else {
          const back = comesBack(queue);
          if (back !== null) queue = pushed(changed(queue, { to: "come back" }), enter(back));
        }
      }
      const left = [...queue.entries.map(textOf), ...queue.behind];
      expect([...seen, ...left].sort()).toEqual([...given].sort());
    }
  });
});

describe("what will be open", () => {
  const isKind = (word: string) => word === "line" || word === "path";

  it("is the last kind begun, by a word or from the tray", () => {
    expect(kindSoon(EMPTY, "circle", isKind)).toBe("circle");
    expect(kindSoon(of(enter("Line "), enter("10, 10")), "", isKind)).toBe("line");
    expect(kindSoon(of(enter("line"), { key: "begin", kind: "path" }), "circle", isKind)).toBe("path");
  });

  it("is not what a drag is read with", () => {
    expect(kindSoon(of(click("line")), "circle", isKind)).toBe("circle");
  });

  it("is nothing once Escape waits", () => {
    expect(leaves(of(enter("line"), escape))).toBe(true);
    expect(leaves(of(escape, enter("line")))).toBe(false);
  });
});
