/** The session against a socket that the test holds in its hand: newest reading wins, no change is lost or done twice. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Line, Step } from "../api/types";

interface Sent {
  type: string;
  seq: number;
  base?: number;
  key?: string;
  text?: string;
  act?: { do: string; id?: string; text?: string };
}

class Wire {
  static readonly OPEN = 1;
  static latest: Wire;
  readonly address: string;
  readyState = 1;
  binaryType = "";
  sent: Sent[] = [];
  onopen: (() => void) | null = null;
  onclose: ((event: { code: number; reason: string }) => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  constructor(address: string) {
    this.address = address;
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
  Wire.latest.says(book(0));
  return { session, lines, busy };
}

beforeEach(() => {
  vi.useFakeTimers();
  const kept = new Map<string, string>();
  vi.stubGlobal("WebSocket", Wire);
  vi.stubGlobal("location", { protocol: "http:", host: "here" });
  vi.stubGlobal("window", globalThis);
  const events = new EventTarget();
  for (const name of ["addEventListener", "removeEventListener", "dispatchEvent"] as const)
    vi.stubGlobal(name, events[name].bind(events));
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
  opened: false,
  id: "n",
  pen: "ink" as const,
  selected: [],
  pull: null,
  carry: null,
  drag: null,
  stroke: [],
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

  it("that were cut off are sent again, on what they were done on, and the server knows them again", async () => {
    const { session } = await opened();
    Wire.latest.says(book(3));
    const all = [
      session.act({ do: "mend", id: "s", text: "point 2, 2" }),
      session.act(write),
      session.act({ do: "undo" }),
    ];
    const before = Wire.latest.sent;
    Wire.latest.drops();
    vi.advanceTimersByTime(300);
    Wire.latest.onopen?.();
    // The first one was committed before the line broke, or it was not; the others had not been sent yet.
    Wire.latest.says(book(4, step("s", "point 2, 2")));
    for (let revision = 4; revision < 7; revision++) {
      Wire.latest.says({ type: "done", seq: Wire.latest.sent.at(-1)?.seq, revision });
      await vi.advanceTimersByTimeAsync(0);
    }
    expect(Wire.latest.sent.map((m) => [m.act?.do, m.base])).toEqual([
      ["mend", 3],
      ["write", 4],
      ["undo", 4],
    ]);
    expect(Wire.latest.sent[0]?.key).toBe(before[0]?.key);
    expect(new Set(Wire.latest.sent.map((m) => m.key)).size).toBe(3);
    expect(await Promise.all(all)).toEqual([{ ok: true }, { ok: true }, { ok: true }]);
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

describe("the core beside", () => {
  class Beside {
    at: number | null = null;
    asked: { seq: number; text?: string }[] = [];
    answered: (message: object) => void = () => undefined;
    gaveUp: () => void = () => undefined;
    attend(_: string, answered: (message: object) => void, gaveUp: () => void) {
      this.answered = answered;
      this.gaveUp = gaveUp;
    }
    follow(message: { revision: number }) {
      if (this.at !== null) this.at = message.revision;
    }
    answersOf(revision: number) {
      return this.at === revision;
    }
    read(request: { seq: number; text?: string }) {
      this.asked.push(request);
    }
    leave() {
      this.at = null;
    }
    end() {
      this.at = null;
    }
  }

  async function attended() {
    const { Session } = await import("./session");
    const { forgetDocument } = await import("../state/document");
    const { usePreferences } = await import("../state/preferences");
    usePreferences.setState({ answering: "page" });
    forgetDocument("d");
    const lines: Line[] = [];
    const beside = new Beside();
    const session = new Session(
      "d",
      (l) => lines.push(l),
      undefined,
      undefined,
      beside as unknown as ConstructorParameters<typeof Session>[4],
    );
    session.open();
    Wire.latest.onopen?.();
    Wire.latest.says(book(0));
    await vi.advanceTimersByTimeAsync(1000);
    return { session, lines, beside, usePreferences };
  }

  it("answers once it has come to what is shown; until then, and of anything newer, the server does", async () => {
    const { session, lines, beside } = await attended();
    session.read(reading("a"));
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a"]);
    beside.at = 0;
    session.read(reading("ab"));
    Wire.latest.says(line(1));
    expect(beside.asked.map((m) => m.text)).toEqual(["ab"]);
    beside.answered(line(2));
    expect(lines).toHaveLength(2);
    expect(Wire.latest.sent).toHaveLength(1);
  });

  it("reads on over a lost connection", async () => {
    const { session, lines, beside } = await attended();
    beside.at = 0;
    Wire.latest.drops();
    session.read(reading("a"));
    beside.answered(line(1));
    expect(lines).toHaveLength(1);
  });

  it("leaves what it has not answered to the server when it gives up, or is not wanted any more", async () => {
    const { session, lines, beside, usePreferences } = await attended();
    beside.at = 0;
    session.read(reading("a"));
    beside.at = null;
    beside.gaveUp();
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a"]);
    Wire.latest.says(line(1));
    beside.at = 0;
    session.read(reading("b"));
    usePreferences.setState({ answering: "server" });
    expect(Wire.latest.sent.map((m) => m.text)).toEqual(["a", "b"]);
    Wire.latest.says(line(2));
    expect(lines).toHaveLength(2);
  });

  describe("without the connection", () => {
    /** Does what waits, and finds wrong whatever says so. */
    const doing = (beside: Beside) => {
      const asked: string[][] = [];
      Object.assign(beside, {
        ahead: (acts: { id?: string; text?: string }[]) => {
          asked.push(acts.map((act) => act.id ?? ""));
          const refused = acts.flatMap((act, number) =>
            act.text === "wrong" ? [{ number, message: "no such word", start: 0, end: 5 }] : [],
          );
          return Promise.resolve({
            refused,
            own: acts.map((act) => (act.text !== undefined && act.id === "s" ? ["s"] : [])),
            header: null,
            whole: false,
            gone: [],
            placed: [],
            undo: null,
            last: [0, 0],
            steps: [],
          });
        },
      });
      return asked;
    };
    const write = (id: string, text = "point 1, 1") =>
      ({ do: "write", id, text, in_front_of: null, pen: "ink", beside: "" }) as const;

    async function alone() {
      const all = await attended();
      const { useWaiting } = await import("./waiting");
      all.beside.at = 0;
      const asked = doing(all.beside);
      Wire.latest.drops();
      const { useDocument } = await import("../state/document");
      const { statusWords } = await import("../table/status");
      const says = () => statusWords(useDocument.getState().connection, useWaiting.getState().waits.length, false);
      return { ...all, asked, says, waits: () => useWaiting.getState() };
    }

    const back = async (revision: number, ...steps: Step[]) => {
      await vi.advanceTimersByTimeAsync(6000);
      Wire.latest.onopen?.();
      Wire.latest.says(book(revision, ...steps));
      await vi.advanceTimersByTimeAsync(0);
    };
    const acts = () => Wire.latest.sent.filter((m) => m.type === "do");

    it("goes on, takes back, and refuses what is wrong at once", async () => {
      const { session, asked, waits } = await alone();
      expect(await session.act(write("a"))).toEqual({ ok: true });
      expect(await session.act(write("b", "wrong"))).toMatchObject({ ok: false, message: "no such word" });
      expect(await session.act(write("c"))).toEqual({ ok: true });
      expect(await session.act({ do: "undo" })).toEqual({ ok: true });
      expect(waits().waits.map((w) => w.act)).toEqual([write("a")]);
      expect(asked).toEqual([["a"], ["a", "b"], ["a", "c"], ["a"]]);
      expect(await session.act({ do: "undo" })).toEqual({ ok: true });
      expect(await session.act({ do: "undo" })).toMatchObject({ ok: false });
    });

    it("sends what waits one after the other once it is back, what is done then behind it", async () => {
      const { session, beside, says, waits } = await alone();
      for (const id of ["a", "b"]) await session.act(write(id));
      await session.act({ do: "mend", id: "s", text: "point 5, 5" });
      await session.act({ do: "mend", id: "s", text: "point 6, 6" });
      expect(says()).toBe("Connection lost; 4 wait here");
      beside.at = null;
      // One of them the server has: it was on its way as the connection went.
      await back(7);
      void session.act(write("z"));
      expect(acts().map((m) => [m.act?.id, m.base])).toEqual([["a", 0]]);
      for (let revision = 8; revision < 12; revision++) {
        // It is not saved before the last of it is.
        expect(says()).toBe(`Saving; ${12 - revision} wait here`);
        Wire.latest.says({ type: "done", seq: acts().at(-1)?.seq, revision });
        await vi.advanceTimersByTimeAsync(0);
      }
      // One's own change of a step is no hindrance to the next one; what one does now is done on what is shown now.
      expect(acts().map((m) => [m.act?.id, m.base])).toEqual([
        ["a", 0],
        ["b", 0],
        ["s", 0],
        ["s", 10],
        ["z", 7],
      ]);
      expect(waits().waits).toEqual([]);
      expect(says()).toBe("Saved");
    });

    it("puts aside what the server will not have, and goes on with the rest", async () => {
      const { session, beside, waits } = await alone();
      await session.act({ do: "mend", id: "s", text: "point 5, 5" });
      await session.act(write("a"));
      beside.at = null;
      await back(7);
      Wire.latest.says({ type: "refused", seq: acts()[0]?.seq, code: "stale", message: "Bo did", start: 0, end: 0 });
      await vi.advanceTimersByTimeAsync(0);
      expect(waits().aside.map((a) => a.said)).toEqual(["Bo did"]);
      expect(acts().map((m) => m.act?.id)).toEqual(["s", "a"]);
    });

    it("keeps what was on its way, and sends it again as what the server knows it by", async () => {
      const { session, beside, waits } = await attended().then(async (all) => {
        const { useWaiting } = await import("./waiting");
        return { ...all, waits: () => useWaiting.getState() };
      });
      doing(beside);
      const first = session.act(write("a"));
      const second = session.act(write("b"));
      const [before] = acts();
      beside.at = 0;
      Wire.latest.drops();
      expect(await Promise.all([first, second])).toEqual([{ ok: true }, { ok: true }]);
      expect(waits().waits.map((w) => w.sent)).toEqual([true, false]);
      beside.at = null;
      await back(1, step("a", "point 1, 1"));
      expect(acts().map((m) => [m.act?.id, m.key])).toEqual([["a", before?.key]]);
    });

    it("does not take back what the server may have, nor does it say of a taking back that it waits", async () => {
      const { session, beside, waits } = await attended().then(async (all) => {
        const { useWaiting } = await import("./waiting");
        return { ...all, waits: () => useWaiting.getState() };
      });
      doing(beside);
      beside.at = 0;
      void session.act(write("a"));
      Wire.latest.drops();
      await vi.advanceTimersByTimeAsync(0);
      expect(await session.act({ do: "undo" })).toMatchObject({ ok: false });
      expect(waits().waits.map((w) => w.act)).toEqual([write("a")]);
      await back(1);
      Wire.latest.says({ type: "done", seq: acts()[0]?.seq, revision: 1 });
      await vi.advanceTimersByTimeAsync(0);
      const undone = session.act({ do: "undo" });
      beside.at = 1;
      Wire.latest.drops();
      expect(await undone).toMatchObject({ ok: false, message: expect.stringContaining("look whether") as string });
      expect(waits().waits).toEqual([]);
    });

    it("lost again in the midst, it waits again", async () => {
      const { session, beside, waits } = await alone();
      for (const id of ["a", "b"]) await session.act(write(id));
      beside.at = null;
      await back(7);
      Wire.latest.drops();
      expect(waits().waits.map((w) => [w.act, w.sent])).toEqual([
        [write("a"), true],
        [write("b"), false],
      ]);
      const keys = waits().waits.map((w) => w.key);
      await back(8, step("a", "point 1, 1"));
      Wire.latest.says({ type: "done", seq: acts()[0]?.seq, revision: 8 });
      await vi.advanceTimersByTimeAsync(0);
      expect(acts().map((m) => [m.act?.id, m.key])).toEqual([
        ["a", keys[0]],
        ["b", keys[1]],
      ]);
    });
  });
});

describe("a connection that is broken, though nobody says so", () => {
  it("is taken for lost once nothing is heard for long, and comes back", async () => {
    const { session } = await opened();
    const { useDocument } = await import("../state/document");
    const first = Wire.latest;
    for (let n = 0; n < 6; n++) {
      await vi.advanceTimersByTimeAsync(5_000);
      first.says({ type: "alive" });
    }
    expect(useDocument.getState().connection).toBe("open");
    await vi.advanceTimersByTimeAsync(13_001);
    expect(useDocument.getState().connection).toBe("lost");
    // What comes of it later is nothing any more.
    first.says(book(9));
    expect(useDocument.getState().revision).toBe(0);
    await vi.advanceTimersByTimeAsync(300);
    expect(Wire.latest).not.toBe(first);
    Wire.latest.onopen?.();
    Wire.latest.says(book(1));
    expect(useDocument.getState().connection).toBe("open");
    session.close();
    await vi.advanceTimersByTimeAsync(60_000);
    expect(useDocument.getState().connection).toBe("open");
  });

  it("is given longer each time, for what is on its way may be large", async () => {
    const { session } = await opened();
    const { useDocument } = await import("../state/document");
    let wire = Wire.latest;
    for (const seconds of [13, 26, 52, 104, 120, 120]) {
      await vi.advanceTimersByTimeAsync(1000 * seconds - 1);
      expect(useDocument.getState().connection).toBe("open");
      await vi.advanceTimersByTimeAsync(2);
      expect(useDocument.getState().connection).toBe("lost");
      while (Wire.latest === wire) await vi.advanceTimersByTimeAsync(50);
      wire = Wire.latest;
      wire.onopen?.();
      wire.says(book(1));
    }
    wire.says({ type: "alive" });
    await vi.advanceTimersByTimeAsync(13_001);
    // Once all was said it is as before.
    expect(useDocument.getState().connection).toBe("lost");
    session.close();
  });

  it("is lost at once where the browser knows it", async () => {
    const { session } = await opened();
    const { useDocument } = await import("../state/document");
    window.dispatchEvent(new Event("offline"));
    expect(useDocument.getState().connection).toBe("lost");
    session.close();
  });
});

describe("a large drawing", () => {
  const kept = (revision: number, ...ids: string[]) =>
    [book(revision), ["id", "text", "figure"], ...ids.map((id) => [id, "point 1, 1", null])]
      .map((one) => JSON.stringify(one))
      .join("\n");

  it("is shown by what was kept, and then by what has become of it since", async () => {
    const { session, lines } = await opened();
    const { useDocument } = await import("../state/document");
    vi.stubGlobal("fetch", () => Promise.resolve(new Response(kept(5, "a", "b"))));
    Wire.latest.says({ type: "opening", revision: 5, steps: 2, name: "d" });
    // What comes meanwhile waits until that is there.
    Wire.latest.says({
      ...book(6, step("c", "point 3, 3")),
      whole: false,
      since: 5,
      placed: [{ id: "c", in_front_of: "b" }],
    });
    expect(useDocument.getState().revision).toBe(0);
    await vi.waitFor(() => expect(useDocument.getState().revision).toBe(6));
    expect(useDocument.getState().steps.map((one) => one.id)).toEqual(["a", "c", "b"]);
    expect(useDocument.getState().opening).toBeNull();
    session.read(reading("x"));
    Wire.latest.says(line(Wire.latest.sent.at(-1)?.seq ?? 0));
    expect(lines).toHaveLength(1);
  });

  it("begins again where what was kept is gone, and where the connection breaks", async () => {
    const { session } = await opened();
    const { useDocument } = await import("../state/document");
    const warned = vi.spyOn(console, "warn").mockReturnValue(undefined);
    vi.stubGlobal("fetch", () => Promise.resolve(new Response("", { status: 404 })));
    const first = Wire.latest;
    first.says({ type: "opening", revision: 5, steps: 2, name: "d" });
    await vi.waitFor(() => expect(first.readyState).toBe(3));
    expect(warned).toHaveBeenCalledOnce();
    first.drops();
    await vi.advanceTimersByTimeAsync(300);
    expect(Wire.latest).not.toBe(first);
    let aborted = false;
    vi.stubGlobal("fetch", (_: string, { signal }: RequestInit) => {
      return new Promise((_, reject) => {
        signal?.addEventListener("abort", () => {
          aborted = true;
          reject(new Error("aborted"));
        });
      });
    });
    Wire.latest.onopen?.();
    Wire.latest.says({ type: "opening", revision: 6, steps: 2, name: "d" });
    session.read(reading("not yet"));
    expect(Wire.latest.sent).toEqual([]);
    Wire.latest.drops();
    expect(aborted).toBe(true);
    expect(useDocument.getState().connection).toBe("lost");
    session.close();
  });

  it("is sent whole where what was kept cannot be had", async () => {
    const { session } = await opened();
    vi.spyOn(console, "warn").mockReturnValue(undefined);
    vi.stubGlobal("fetch", () => Promise.resolve(new Response("", { status: 502 })));
    for (const asked of [false, false, true]) {
      const wire = Wire.latest;
      expect(wire.address.endsWith("?whole=true")).toBe(asked);
      if (asked) break;
      wire.onopen?.();
      wire.says({ type: "opening", revision: 5, steps: 2, name: "d" });
      await vi.advanceTimersByTimeAsync(600);
      expect(Wire.latest).not.toBe(wire);
    }
    session.close();
  });
});
