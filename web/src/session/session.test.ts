/** The session against a socket that the test holds in its hand: newest reading wins, no change is lost or done twice. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Line, Step } from "../api/types";

interface Sent {
  type: string;
  seq: number;
  base?: number;
  text?: string;
  act?: { do: string; id?: string; text?: string };
}

class Wire {
  static readonly OPEN = 1;
  static latest: Wire;
  readyState = 1;
  binaryType = "";
  sent: Sent[] = [];
  onopen: (() => void) | null = null;
  onclose: ((event: { code: number; reason: string }) => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  constructor() {
    Wire.latest = this;
  }
  send(text: string) {
    this.sent.push(JSON.parse(text) as Sent);
  }
  close() {
    this.readyState = 3;
  }
  says(message: object) {
    this.onmessage?.({ data: JSON.stringify(message) });
  }
  drops(code = 1006, reason = "") {
    this.readyState = 3;
    this.onclose?.({ code, reason });
  }
}

const step = (id: string, text: string) => ({ id, text, figure: null }) as unknown as Step;
const book = (revision: number, ...steps: Step[]) => ({
  type: "book",
  revision,
  whole: true,
  steps,
  gone: [],
  placed: [],
  name: "d",
  header: null,
  undo: null,
  redo: null,
  last: [0, 0],
});
const line = (seq: number) => ({ type: "line", seq }) as unknown as Line;

async function opened() {
  const { Session } = await import("./session");
  const { forgetDocument } = await import("../state/document");
  forgetDocument("d");
  const lines: Line[] = [];
  const busy: boolean[] = [];
  const session = new Session(
    "d",
    (l) => lines.push(l),
    (b) => busy.push(b),
  );
  session.open();
  Wire.latest.onopen?.();
  return { session, lines, busy };
}

beforeEach(() => {
  vi.useFakeTimers();
  const kept = new Map<string, string>();
  vi.stubGlobal("WebSocket", Wire);
  vi.stubGlobal("location", { protocol: "http:", host: "here" });
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("localStorage", {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  });
});

const reading = (text: string) => ({
  draft: null,
  text,
  mend: null,
  in_front_of: null,
  pointer: null,
  choice: null,
  aimed: false,
  selected: null,
  pull: null,
  carry: null,
});

describe("readings", () => {
  it("have one in flight, and the newest of those that wait goes next", async () => {
    const { session, lines } = await opened();
    for (const text of ["a", "ab", "abc"]) session.read(reading(text));
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a"]);
    Wire.latest.says(line(Wire.latest.sent[0]?.seq ?? 0));
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a", "abc"]);
    expect(lines).toHaveLength(1);
  });

  it("go on after one that the server could not answer", async () => {
    const { session } = await opened();
    session.read(reading("a"));
    session.read(reading("b"));
    Wire.latest.says({ type: "refused", seq: 1, code: "fault", message: "", start: 0, end: 0 });
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a", "b"]);
  });
});

describe("being busy", () => {
  it("ends with the last answer that is awaited, or with the connection", async () => {
    const { session, busy } = await opened();
    session.read(reading("a"));
    session.read(reading("b"));
    Wire.latest.says(line(1));
    expect(busy).toEqual([true]);
    Wire.latest.says(line(2));
    expect(busy).toEqual([true, false]);
    const awaited = session.readNow(reading("c"));
    void session.act({ do: "undo" });
    Wire.latest.says(line(3));
    await awaited;
    expect(busy).toEqual([true, false, true]);
    Wire.latest.says({ type: "done", seq: 4, revision: 1 });
    expect(busy).toEqual([true, false, true, false]);
    session.read(reading("d"));
    Wire.latest.drops();
    expect(busy.at(-1)).toBe(false);
  });
});

describe("changes", () => {
  const write = { do: "write", id: "n", text: "point 1, 1", in_front_of: null, pen: "ink", beside: "" } as const;

  it("that somebody else has overtaken are refused with what the server says", async () => {
    const { session } = await opened();
    Wire.latest.says(book(3, step("x", "point 1, 1")));
    const done = session.act({ do: "mend", id: "x", text: "point 2, 2" });
    Wire.latest.says(book(4, step("x", "point 7, 7")));
    const message = "Ada changed this step meanwhile. It now reads: point 7, 7";
    Wire.latest.says({ type: "refused", seq: 1, code: "stale", message, start: 0, end: 0 });
    expect(await done).toMatchObject({ ok: false, message });
    expect(Wire.latest.sent).toHaveLength(1);
  });

  it("are not even sent where the drawing may only be looked at", async () => {
    const { session } = await opened();
    Wire.latest.says({ type: "standing", may: "see", name: "Bo" });
    expect(await session.act(write)).toMatchObject({ ok: false, message: expect.stringContaining("look") as string });
    Wire.latest.says({ type: "standing", may: "draw", name: "Bo" });
    void session.act(write);
    expect(Wire.latest.sent).toHaveLength(1);
  });

  it("that were cut off are sent again, unless the book has them already", async () => {
    const { session } = await opened();
    Wire.latest.says(book(3));
    const first = session.act(write);
    const second = session.act({ ...write, id: "m" });
    Wire.latest.drops();
    vi.advanceTimersByTime(300);
    Wire.latest.onopen?.();
    // The first one was committed before the line broke; the second had not been sent yet.
    Wire.latest.says(book(4, step("n", "point 1, 1")));
    expect(await first).toEqual({ ok: true });
    expect(Wire.latest.sent.map((m) => m.act?.id)).toEqual(["m"]);
    Wire.latest.says({ type: "done", seq: Wire.latest.sent[0]?.seq, revision: 5 });
    expect(await second).toEqual({ ok: true });
  });

  it("undone over a broken line are not done twice", async () => {
    const { session } = await opened();
    Wire.latest.says(book(3));
    const done = session.act({ do: "undo" });
    Wire.latest.drops();
    vi.advanceTimersByTime(300);
    Wire.latest.onopen?.();
    Wire.latest.says(book(2));
    expect(await done).toMatchObject({ ok: false });
    expect(Wire.latest.sent).toHaveLength(0);
  });
});

it("a table that the server shuts says why, and does not come back by itself", async () => {
  const { session } = await opened();
  const { useDocument } = await import("../state/document");
  const before = Wire.latest;
  const waiting = session.act({ do: "write", id: "n", text: "point 1, 1", in_front_of: null, pen: "ink", beside: "" });
  before.drops(4404, "There is no such drawing.");
  expect(await waiting).toMatchObject({ ok: false, message: "There is no such drawing." });
  vi.advanceTimersByTime(60_000);
  expect(Wire.latest).toBe(before);
  expect(useDocument.getState()).toMatchObject({ connection: "gone", why: "There is no such drawing." });
});
