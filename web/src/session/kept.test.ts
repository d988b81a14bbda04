/** What was kept of a large drawing comes in pieces that end anywhere, and is shown whole or not at all. */
import { afterEach, describe, expect, it, vi } from "vitest";

import { askEarly, askEarlyOf, dropEarly, keptOf, takeEarly } from "./early";
import { fetchKept } from "./kept";

const FRAME = { type: "book", revision: 7, name: "d", steps: [] };
const steps = Array.from({ length: 40 }, (_, n) => ({ id: `s${String(n)}`, text: `point ${String(n)}, ⌀ ½` }));
const BYTES = new TextEncoder().encode(
  [FRAME, ["id", "text"], ...steps.map(({ id, text }) => [id, text])].map((one) => JSON.stringify(one)).join("\n"),
);

function served(bytes: Uint8Array, piece: number, status = 200) {
  const body = () =>
    new ReadableStream<Uint8Array>({
      start(controller) {
        for (let at = 0; at < bytes.length; at += piece) controller.enqueue(bytes.slice(at, at + piece));
        controller.close();
      },
    });
  vi.stubGlobal("fetch", () => Promise.resolve(new Response(body(), { status })));
}

const asked = (count: number, atOnce = 1) =>
  fetchKept(
    "d",
    { type: "opening", revision: 7, steps: count, name: "d" },
    () => undefined,
    new AbortController().signal,
    atOnce,
  );

afterEach(() => {
  vi.unstubAllGlobals();
});

describe("what was kept", () => {
  it("is not taken where it is of another revision", async () => {
    served(BYTES, 100);
    const told = { type: "opening", revision: 8, steps: 40, name: "d" } as const;
    await expect(fetchKept("d", told, () => undefined, new AbortController().signal)).rejects.toThrow(
      "another revision",
    );
  });

  it("is asked for once, early, where the page was opened at the drawing", async () => {
    const id = "00d60e97-24d6-4727-a132-acf39610d7ac";
    const asked: string[] = [];
    vi.stubGlobal("location", { pathname: `/drawings/${id}` });
    served(BYTES, 100);
    const answer = fetch;
    vi.stubGlobal("fetch", (at: string) => {
      asked.push(at);
      return answer(at);
    });
    askEarly();
    const told = { type: "opening", revision: 7, steps: 40, name: "d" } as const;
    expect((await fetchKept(id, told, () => undefined, new AbortController().signal)).steps).toHaveLength(40);
    expect(asked).toEqual([keptOf(id)]);
    expect(takeEarly(id)).toBeNull();
    vi.stubGlobal("location", { pathname: "/people" });
    askEarly();
    expect(asked).toHaveLength(1);
    // From the shelf, by a table that may be laid twice over.
    askEarlyOf(id);
    askEarlyOf(id);
    expect(asked).toEqual([keptOf(id), keptOf(id)]);
    dropEarly();
  });

  it.each([1, 2, 3, 17, 64, 1000, 100_000])("is the same in pieces of %i bytes", async (piece) => {
    for (const atOnce of [1, 50, 333, 1e6]) {
      served(BYTES, piece);
      expect(await asked(40, atOnce)).toEqual({ ...FRAME, steps });
    }
  });

  it("says how far it is", async () => {
    served(BYTES, 500);
    const told: number[] = [];
    const progress = (done: number) => told.push(done);
    await fetchKept(
      "d",
      { type: "opening", revision: 7, steps: 40, name: "d" },
      progress,
      new AbortController().signal,
      1,
    );
    expect(told.length).toBeGreaterThan(2);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBe(40);
  });

  it("is refused where it is gone, or does not come whole", async () => {
    served(BYTES, 100, 404);
    await expect(asked(40)).rejects.toThrow("404");
    served(BYTES.slice(0, BYTES.lastIndexOf(10)), 100);
    await expect(asked(40)).rejects.toThrow("whole");
    served(BYTES.slice(0, BYTES.length - 3), 100);
    await expect(asked(40)).rejects.toThrow();
  });
});
