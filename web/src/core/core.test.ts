import { beforeEach, describe, expect, it } from "vitest";

import type { Book, ReadRequest, ServerMessage } from "../api/types";
import { Core, type Thread, useCore } from "./core";
import type { FromCore, ToCore } from "./messages";

class Fake implements Thread {
  told: ToCore[] = [];
  ended = false;
  onmessage: Thread["onmessage"] = null;
  onerror: Thread["onerror"] = null;
  postMessage(message: ToCore) {
    this.told.push(message);
  }
  terminate() {
    this.ended = true;
  }
  says(message: FromCore) {
    this.onmessage?.({ data: message } as MessageEvent<FromCore>);
  }
}

const book = (since: number | null, revision: number) =>
  ({ type: "book", since, revision, edits: [{ op: "x", revision }] }) as unknown as Book;
const opened = (revision: number, drawing = "d"): FromCore => ({ is: "opened", drawing, revision, seconds: 1 });
const request = { type: "read", seq: 7, text: "p" } as ReadRequest;

let thread: Fake;
let answers: ServerMessage[];
let gaveUp: number;
let made: number;
let core: Core;

beforeEach(() => {
  useCore.setState({ standing: "off", why: "" });
  answers = [];
  gaveUp = made = 0;
  core = new Core(() => {
    made++;
    return (thread = new Fake());
  });
  core.attend(
    "d",
    (message) => answers.push(message),
    () => gaveUp++,
  );
});

describe("the core beside", () => {
  it("answers once it is open, and only of the revision that it has come to", () => {
    expect(useCore.getState().standing).toBe("waking");
    expect(core.answersOf(3)).toBe(false);
    thread.says({ is: "ready", seconds: 1 });
    thread.says(opened(3));
    expect(useCore.getState().standing).toBe("ready");
    expect([core.answersOf(2), core.answersOf(3), core.answersOf(4)]).toEqual([false, true, false]);
    core.read(request);
    expect(thread.told.at(-1)).toEqual({ do: "read", seq: 7, asked: JSON.stringify(request) });
    thread.says({ is: "answer", seq: 7, answer: '{"type":"line","seq":7}' });
    expect(answers).toEqual([{ type: "line", seq: 7 }]);
  });

  it("follows what comes, what came while it was opened too", () => {
    for (const [since, revision] of [
      [1, 2],
      [2, 3],
      [3, 5],
    ] as const)
      core.follow(book(since, revision));
    thread.says(opened(3));
    expect(core.answersOf(5)).toBe(true);
    expect(thread.told.slice(1)).toEqual([{ do: "follow", since: 3, revision: 5, edits: '[{"op":"x","revision":5}]' }]);
    core.follow(book(5, 6));
    expect(core.answersOf(6)).toBe(true);
    // Told again, as after a lost connection, it is where it was.
    core.follow(book(5, 6));
    expect(thread.told).toHaveLength(3);
  });

  it.each([
    ["a gap", book(8, 9)],
    ["the whole anew", book(null, 9)],
    ["what it was opened in the midst of", book(2, 9)],
  ])("is opened anew after %s", (_, brings) => {
    thread.says(opened(3));
    core.follow(brings);
    expect(core.answersOf(9)).toBe(false);
    expect(thread.told.at(-1)).toEqual({ do: "open", drawing: "d" });
    thread.says(opened(9));
    expect(core.answersOf(9)).toBe(true);
  });

  it("is opened anew where it says itself that it is behind", () => {
    thread.says(opened(3));
    thread.says({ is: "behind" });
    expect(core.answersOf(3)).toBe(false);
    expect(thread.told.at(-1)).toEqual({ do: "open", drawing: "d" });
  });

  it("gives up once, and is not woken again for the next table", () => {
    thread.says(opened(3));
    thread.says({ is: "failed", why: "no memory" });
    expect([core.answersOf(3), gaveUp, thread.ended]).toEqual([false, 1, true]);
    expect(useCore.getState()).toMatchObject({ standing: "failed", why: "no memory" });
    core.attend(
      "e",
      () => undefined,
      () => undefined,
    );
    expect(made).toBe(1);
  });

  it("is woken once for all tables, and what was opened for the last one is nothing to the next", () => {
    core.leave();
    core.attend(
      "e",
      (message) => answers.push(message),
      () => gaveUp++,
    );
    thread.says(opened(3));
    expect(core.answersOf(3)).toBe(false);
    thread.says(opened(8, "e"));
    expect(core.answersOf(8)).toBe(true);
    expect(made).toBe(1);
    core.leave();
    expect(core.answersOf(8)).toBe(false);
    core.end();
    expect([thread.ended, useCore.getState().standing]).toEqual([true, "off"]);
  });
});
