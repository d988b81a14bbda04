import { beforeEach, expect, test, vi } from "vitest";

import type { Act } from "../api/types";
import { isWaiting, useWaiting, Waiting } from "./waiting";

let kept: Record<string, string>;

beforeEach(() => {
  kept = {};
  // As a browser's: what is kept are its own properties.
  const storage = Object.create({
    getItem: (key: string) => kept[key] ?? null,
    setItem: (key: string, value: string) => {
      kept[key] = value;
      Object.defineProperty(storage, key, { value, enumerable: true, configurable: true });
    },
    removeItem: (key: string) => {
      // eslint-disable-next-line @typescript-eslint/no-dynamic-delete
      delete kept[key];
      Reflect.deleteProperty(storage, key);
    },
  }) as Storage;
  vi.stubGlobal("localStorage", storage);
});

const write = (id: string, text = "point 1, 1") => ({ do: "write", id, text }) as Act;
const mend = (id: string) => ({ do: "mend", id, text: "point 2, 2" }) as Act;

test("what waits, and what was put aside, is this browser's until it is settled", () => {
  const one = new Waiting("d", "t1");
  one.set([
    { act: write("a"), key: "k0", base: 3, own: [], sent: false },
    { act: mend("b"), key: "k1", base: 3, own: [], sent: false },
  ]);
  one.settle(null);
  one.settle("Bo changed this step meanwhile.");
  expect(useWaiting.getState()).toEqual({
    waits: [],
    aside: [{ act: mend("b"), said: "Bo changed this step meanwhile." }],
  });
  expect(Object.keys(kept)).toHaveLength(1);
  one.letGo(0);
  expect(kept).toEqual({});
});

test("what closed pages left is taken over, in front of one's own, and of this drawing only", () => {
  new Waiting("d", "t1").set([{ act: write("a"), key: "k2", base: 3, own: [], sent: true }]);
  new Waiting("e", "t2").set([{ act: write("x"), key: "k3", base: 9, own: [], sent: false }]);
  const now = new Waiting("d", "t3");
  now.set([{ act: write("b"), key: "k4", base: 4, own: [], sent: false }]);
  now.adopt();
  expect(now.waits.map((w) => [w.act, w.base, w.sent])).toEqual([
    [write("a"), 3, true],
    [write("b"), 4, false],
  ]);
  expect(Object.keys(kept).sort()).toEqual(["kentrograph-waiting:d:t3", "kentrograph-waiting:e:t2"]);
});

test("a step waits where what is done is about it, or wrote it", () => {
  const waits = [
    { act: { do: "strike", id: "a", others: ["b"] } as Act, key: "k5", own: ["a", "b"], base: 0, sent: false },
    { act: write("n"), key: "k6", own: [], base: 0, sent: false },
    { act: { do: "write_all", id: "m", entries: [] } as unknown as Act, key: "k7", own: [], base: 0, sent: false },
  ];
  const found = ["a", "b", "n", "m-0", "m", "nn", "c"].filter((step) => isWaiting(waits, step));
  expect(found).toEqual(["a", "b", "n", "m-0", "m"]);
});
