/** What keys and clicks do to the open line, against a server that the test plays: in their order, nothing lost, nothing twice. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import type { Act, Draft, Hand, Line, Outcome, Step } from "../api/types";
import type { Answer } from "../session/answer";
import type { Session } from "../session/session";
import { useDocument } from "../state/document";
import { NOTHING, useInterface } from "../state/interface";
import { BREATH } from "./breath";
import { OpenLine } from "./openline";

const draft = (kind: string, ...rows: string[]): Draft => ({
  kind,
  rows,
  at: null,
  again: false,
  clicks: [],
  beside: [],
});
const open = (kind: string): Draft => ({ ...draft(kind), again: true });
const problem = { kind: "unknown_word", message: "no such word", start: 0, end: 3, suggestion: null, suggested: null };
const outcome = (what: Outcome["do"], to: Draft | null, statement = "", act: Act | null = null): Outcome => ({
  do: what,
  draft: to,
  statement,
  act,
  why: "",
  figure: null,
});

/** A server that knows lines and chains well enough: a kind begins, a row is stated, two rows are written. */
function read(hand: Hand): Partial<Line> {
  const { draft: begun, text } = hand;
  const base = { problem: null, picks: [], solutions: [], click: null, follows: [], leave: outcome("nothing", null) };
  const writes = (statement: string, after: Draft | null) =>
    outcome("write", after, statement, {
      do: "write",
      text: statement,
      id: hand.id,
      in_front_of: hand.in_front_of,
      pen: hand.pen,
      beside: "",
    });
  const answered = (enter: Outcome) => ({ ...base, enter });
  if (text === "line" || text === "path") return answered(outcome("begin", draft(text)));
  if (text.startsWith("bad")) return { ...answered(outcome("nothing", begun)), problem };
  if (!begun) return answered(text === "" ? outcome("nothing", null) : writes(text, null));
  const rows = text === "" ? begun.rows : [...begun.rows, text];
  const whole = writes(`${begun.kind} ${rows.join(" ")}`, open(begun.kind));
  const can = rows.length > 1;
  return {
    ...base,
    enter: can && (begun.kind === "line" || text === "") ? whole : outcome("given", { ...begun, rows }),
    leave: can && begun.kind === "path" ? { ...whole, draft: null } : outcome("nothing", null),
  };
}

let acts: Act[];
let readings: Hand[];
let lost: boolean;
const looked = vi.fn();
let answer: Answer;
let line: OpenLine;

beforeEach(() => {
  vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => undefined, removeItem: () => undefined });
  useInterface.setState({ ...NOTHING });
  useDocument.setState({ byId: new Map(), steps: [] });
  acts = [];
  readings = [];
  looked.mockClear();
  lost = false;
  answer = { ok: true };
  const session = {
    drawing: "d",
    read: looked,
    shown: () => null,
    readNow: (reading: Hand) => {
      readings.push(reading);
      return Promise.resolve(lost ? null : (read(reading) as Line));
    },
    act: (act: Act) => {
      acts.push(act);
      return Promise.resolve(answer);
    },
  };
  line = new OpenLine(session as unknown as Session, () => undefined);
});

const state = () => useInterface.getState();
const settled = () => vi.waitFor(() => expect(line.busy).toBe(false));
const texts = () => acts.flatMap((act) => (act.do === "write" ? [act.text] : []));

async function enters(...entries: string[]): Promise<void> {
  for (const text of entries) {
    useInterface.setState({ text });
    line.enter();
  }
  await settled();
}

describe("Enter", () => {
  it("writes what was typed faster than it was read, in its order", async () => {
    await enters("line", "from 0, 0", "to 5, 5", "from 9, 9", "to 1, 1");
    expect(texts()).toEqual(["line from 0, 0 to 5, 5", "line from 9, 9 to 1, 1"]);
  });

  it("keeps the kind open for the next one", async () => {
    await enters("line", "from 0, 0", "to 5, 5");
    expect(state().draft).toEqual(open("line"));
  });

  it("puts a wrong entry back to be typed over, and keeps what came after it", async () => {
    await enters("line", "bad", "from 0, 0", "to 5, 5");
    expect(state()).toMatchObject({ text: "bad", refused: problem, waiting: ["from 0, 0", "to 5, 5"] });
    useInterface.setState({ text: "from 7, 7" });
    line.enter();
    await vi.waitFor(() => expect(state().text).toBe("from 0, 0"));
    expect(state().draft?.rows).toEqual(["from 7, 7"]);
  });

  it("breaks no word that is being typed: what was wrong comes back once the hands rest", async () => {
    vi.useFakeTimers();
    for (const text of ["line", "bad"]) {
      useInterface.setState({ text });
      line.enter();
    }
    // Somebody with their eyes on the paper: a key every 100 ms, and an entry behind the other.
    const seen: string[] = [];
    for (const text of ["f", "fr", "from 0, 0", "⏎", "t", "to", "to 5"]) {
      await vi.advanceTimersByTimeAsync(100);
      seen.push(state().text);
      if (text === "⏎") line.enter();
      else line.type(text);
    }
    expect(seen).toEqual(["", "f", "fr", "from 0, 0", "", "t", "to"]);
    await vi.advanceTimersByTimeAsync(2 * BREATH);
    expect(state()).toMatchObject({ text: "bad", refused: problem, waiting: ["from 0, 0", "to 5"] });
    vi.useRealTimers();
    useInterface.setState({ text: "from 7, 7" });
    line.enter();
    await vi.waitFor(() => expect(state().text).toBe("from 0, 0"));
  });

  it("strikes what was wrong with Escape, at once or once it is back, and goes on with what came after it", async () => {
    await enters("line", "bad");
    line.escape();
    await settled();
    expect(state()).toMatchObject({ text: "", refused: null, waiting: [] });
    for (const text of ["bad", "from 0, 0"]) {
      useInterface.setState({ text });
      line.enter();
    }
    await vi.waitFor(() => expect(state()).toMatchObject({ text: "bad", waiting: ["from 0, 0"] }));
    line.escape();
    await vi.waitFor(() => expect(state()).toMatchObject({ text: "from 0, 0", waiting: [] }));
    useInterface.setState({ text: "" });
    for (const key of ["escape", "undo"] as const) {
      line.push({ key: "enter", given: { text: "bad" } });
      line.push({ key });
      await settled();
      expect(state()).toMatchObject({ text: "", refused: null, draft: { kind: "line", rows: [] } });
    }
    expect(acts).toEqual([]);
  });

  it("loses nothing over a lost connection", async () => {
    lost = true;
    await enters("line from 0, 0 to 5, 5");
    expect(state().text).toBe("line from 0, 0 to 5, 5");
    expect(state().refused?.message).toContain("connection is lost");
    lost = false;
    line.enter();
    await settled();
    expect(texts()).toEqual(["line from 0, 0 to 5, 5"]);
  });

  it("shows why a step was not written, where it was typed", async () => {
    answer = { ok: false, message: "the name is taken", start: 0, end: 0 };
    await enters("P1 = point 1, 1");
    expect(state().refused?.message).toBe("the name is taken");
    expect(state().text).toBe("P1 = point 1, 1");
  });

  it("writes in front of the step that was asked for, as long as it is there", async () => {
    useDocument.setState({ byId: new Map([["s", { id: "s" } as unknown as Step]]) });
    useInterface.setState({ before: "s" });
    await enters("point 1, 1");
    useDocument.setState({ byId: new Map() });
    await enters("point 2, 2");
    expect(acts.map((act) => (act.do === "write" ? act.in_front_of : ""))).toEqual(["s", null]);
  });
});

describe("what is done beside the open line", () => {
  it("has its turn behind what was entered before it", async () => {
    useDocument.setState({ byId: new Map([["s", { id: "s" } as unknown as Step]]) });
    useInterface.setState({ before: "s" });
    line.push({ key: "enter", given: { text: "point 1, 1" } });
    line.inTurn(() => useInterface.setState({ before: null }));
    line.push({ key: "enter", given: { text: "point 2, 2" } });
    await settled();
    expect(acts.map((act) => (act.do === "write" ? act.in_front_of : ""))).toEqual(["s", null]);
    // What goes wrong before it swallows it no more than it waits for it to be mended.
    let clicked = 0;
    line.push({ key: "enter", given: { text: "bad" } });
    line.inTurn(() => (clicked += 1));
    await settled();
    expect([state().text, clicked]).toEqual(["bad", 1]);
    // With nothing before it it is done at once.
    let done = false;
    line.inTurn(() => (done = true));
    expect(done).toBe(true);
  });
});

describe("a drawing that somebody else changes", () => {
  it("is read anew, where something stands on the line or lies under the pointer", () => {
    line.again();
    expect(looked).not.toHaveBeenCalled();
    useInterface.setState({ text: "circle touching C5" });
    line.again();
    expect(looked).toHaveBeenLastCalledWith(expect.objectContaining({ text: "circle touching C5" }));
  });
});

describe("taking back", () => {
  it("takes the last given of a begun figure, and not a finished step", async () => {
    await enters("path", "from 0, 0", "to 5, 5");
    line.undo();
    await settled();
    expect(state().draft?.rows).toEqual(["from 0, 0"]);
    expect(acts).toEqual([]);
  });

  it("takes what is typed first", async () => {
    await enters("path", "from 0, 0");
    useInterface.setState({ text: "to 7" });
    line.undo();
    expect(state()).toMatchObject({ text: "", draft: { rows: ["from 0, 0"] } });
  });

  it("is for the book again once nothing is begun, also while the kind stays open", async () => {
    await enters("line", "from 0, 0", "to 5, 5");
    line.undo();
    await settled();
    expect(acts.map((act) => act.do)).toEqual(["write", "undo"]);
    expect(state().draft?.kind).toBe("line");
  });

  it("means what was entered before it, though that is still on its way", async () => {
    for (const text of ["line", "from 0, 0", "to 5, 5"]) {
      useInterface.setState({ text });
      line.enter();
    }
    line.undo();
    await settled();
    expect(acts.map((act) => act.do)).toEqual(["write", "undo"]);
  });

  it("leaves a step that is being mended as it was", async () => {
    useInterface.setState({ mend: { id: "s", original: "a", before: { draft: null, text: "kept" } }, text: "b" });
    line.undo();
    await settled();
    expect(state()).toMatchObject({ mend: null, text: "kept" });
  });
});

describe("one after the other", () => {
  const goesOn: Draft = { ...open("line"), rows: ["from end of L1"] };
  const written = async () => {
    await enters("line", "from 0, 0");
    const session = line.session as unknown as { readNow: unknown };
    const plain = session.readNow as (hand: Hand) => Promise<Line>;
    session.readNow = async (hand: Hand) => {
      const found = await plain(hand);
      return hand.text.startsWith("to ") ? { ...found, enter: { ...found.enter, draft: goesOn } } : found;
    };
    await enters("to 5, 5");
  };

  it("goes on from where the last one ended", async () => {
    await written();
    expect(state().draft).toEqual(goesOn);
  });

  it("takes back the step, and what went on from it with it", async () => {
    await written();
    line.undo();
    await settled();
    expect(acts.map((act) => act.do)).toEqual(["write", "undo"]);
    expect(state().draft).toMatchObject({ kind: "line", rows: [] });
  });

  it("and goes on from where the one that is taken back did", async () => {
    await written();
    await enters("to 9, 9");
    line.undo();
    await settled();
    expect(state().draft).toEqual(goesOn);
  });

  it("begins another one of what was drawn last with Enter on an empty row", async () => {
    await enters("line", "from 0, 0", "to 5, 5");
    line.escape();
    await settled();
    expect(state().draft).toBeNull();
    line.enter();
    await settled();
    expect(state().draft).toMatchObject({ kind: "line", rows: [] });
  });
});

it("a mended line of which several are left has the words put into it first, and stays open", async () => {
  useInterface.setState({ mend: { id: "s", original: "a", before: { draft: null, text: "" } }, text: "a" });
  const session = line.session as unknown as { readNow: unknown };
  const enter = outcome("type", null, "a left");
  session.readNow = () => Promise.resolve({ ...read({ ...line.hand(), draft: null, text: "a" }), enter });
  line.enter();
  await settled();
  expect(state()).toMatchObject({ text: "a left", refused: null, mend: { id: "s" } });
  expect(acts).toEqual([]);
});

describe("Escape", () => {
  it("goes from the text to the figure to the selection", async () => {
    useInterface.setState({ draft: draft("line", "from 0, 0"), text: "to 3", selected: "s" });
    line.escape();
    expect(state()).toMatchObject({ text: "", selected: "s" });
    line.escape();
    await settled();
    expect(state().draft).toBeNull();
    line.escape();
    await settled();
    expect(state().selected).toBeNull();
  });

  it("keeps a chain that can be drawn", async () => {
    await enters("path", "from 0, 0", "to 5, 5");
    line.escape();
    await settled();
    expect(texts()).toEqual(["path from 0, 0 to 5, 5"]);
  });

  it("keeps a chain on the open line while the connection is lost", async () => {
    await enters("path", "from 0, 0", "to 5, 5");
    lost = true;
    line.escape();
    await settled();
    expect(state().draft?.rows).toEqual(["from 0, 0", "to 5, 5"]);
    expect(state().refused?.message).toContain("kept");
  });
});

describe("Tab", () => {
  it("states the held number and goes on to the other one", async () => {
    await enters("line", "from 0, 0");
    useInterface.setState({ text: "40" });
    expect(line.hold()).toBe(true);
    await settled();
    expect(readings.at(-1)?.text).toBe("length 40");
    useInterface.setState({ draft: null, text: "40" });
    expect(line.hold()).toBe(false);
  });
});

describe("a choice", () => {
  const pointer = (x: number) => ({ x, y: 0, pixel: 1, reach: 10 }) as never;

  it("survives a small move of the pointer, and not going elsewhere", () => {
    line.point(pointer(100));
    line.choose(1);
    line.point(pointer(130));
    expect(state().choice).toBe(1);
    line.point(pointer(200));
    expect(state().choice).toBeNull();
  });

  it("by the pointer holds while a number is typed, and is over with the next figure", async () => {
    line.point(pointer(100));
    line.type("3");
    expect(line.hand().aimed).toBe(true);
    line.type("");
    await enters("line");
    line.point(pointer(101));
    expect(line.hand().aimed).toBe(false);
    line.point(pointer(110));
    expect(line.hand().aimed).toBe(true);
  });

  it("is over once something is typed", () => {
    line.choose(1);
    line.type("4");
    expect(state().choice).toBeNull();
  });
});

it("what is pulled is let go as it was shown, and where nothing has changed nothing is written", async () => {
  const session = line.session as unknown as { readNow: unknown };
  const letGo = async (act: Act | null) => {
    useInterface.setState({ pull: 0 });
    session.readNow = (hand: Hand) => {
      expect(hand.pull).toBe(0);
      return Promise.resolve({ ...read({ ...hand, text: "" }), click: outcome("write", null, "new", act) });
    };
    line.click();
    expect(state().pull).toBeNull();
    await settled();
  };
  await letGo({ do: "mend", id: "s", text: "new" });
  await letGo(null);
  expect(acts).toEqual([{ do: "mend", id: "s", text: "new" }]);
});

describe("what was shown", () => {
  const shows = (shown: (hand: Hand) => Partial<Line> | null) =>
    Object.assign(line.session as object, { shown: (hand: Hand) => shown(hand) as Line | null });

  it("is done as it is, without being read again", async () => {
    shows((hand) => (hand.text === "point 1, 1" ? read(hand) : null));
    await enters("point 1, 1");
    expect(readings).toEqual([]);
    expect(texts()).toEqual(["point 1, 1"]);
  });

  it("and is something else by the time of its turn is shown, and not done", async () => {
    let turn = (): void => undefined;
    line.inTurn(() => new Promise<void>((resolve) => (turn = resolve)));
    const other = (hand: Hand) => ({ ...read(hand), enter: outcome("write", null, "point 2, 2") });
    shows((hand) => (hand.text === "" ? null : other(hand)));
    useInterface.setState({ text: "point 1, 1" });
    line.enter();
    shows(() => null);
    turn();
    await settled();
    expect(acts).toEqual([]);
    expect(state()).toMatchObject({ text: "point 1, 1" });
    expect(state().refused?.message).toContain("changed meanwhile");
    // Entered again it is done.
    line.enter();
    await settled();
    expect(texts()).toEqual(["point 1, 1"]);
  });

  it("selects what lies under the pointer, or adds it", async () => {
    const chosen = (figure: string | null) => (hand: Hand) => ({
      ...read(hand),
      click: { ...outcome("select", null), figure },
    });
    for (const [figure, more] of [
      ["a", false],
      ["b", true],
      ["a", true],
    ] as const) {
      shows(chosen(figure));
      line.click(more);
      await settled();
    }
    expect([state().selected, ...state().others]).toEqual(["b"]);
    shows(chosen(null));
    line.click();
    await settled();
    expect(state().selected).toBeNull();
  });

  it("says why nothing comes of it", async () => {
    shows((hand) => ({ ...read(hand), click: { ...outcome("nothing", null), why: "nothing bounds it" } }));
    line.click();
    await settled();
    expect(acts).toEqual([]);
    expect(state().refused?.message).toBe("nothing bounds it");
  });
});
