/** A pointer between going down and coming up: what it was is decided by what it did, and a trembling hand did nothing. */
import { beforeEach, describe, expect, it, vi } from "vitest";

import { NOTHING, useInterface } from "../state/interface";
import type { TableParts } from "../table/context";
import { selectAll } from "../state/selection";
import { Press } from "./press";

vi.mock("../api/client", () => ({
  inside: vi.fn(() => Promise.resolve(["a", "b"])),
  alike: vi.fn(() => Promise.resolve(["a", "b", "c"])),
}));

const at = (x: number, y = 0) => ({ x, y });
let openLine: Record<"click" | "refresh" | "inTurn" | "strokeFrom" | "strokeDone" | "drop", ReturnType<typeof vi.fn>>;
let hands: Record<"dragFrom" | "carryFrom" | "copies", ReturnType<typeof vi.fn>> & {
  now: { drag: unknown; carry: unknown };
};
let view: Record<string, ReturnType<typeof vi.fn> | number>;
let press: Press;

beforeEach(() => {
  useInterface.setState({ ...NOTHING });
  openLine = {
    inTurn: vi.fn((act: () => unknown) => act()),
    click: vi.fn(),
    refresh: vi.fn(),
    strokeFrom: vi.fn(() => false),
    strokeDone: vi.fn(),
    drop: vi.fn(() => false),
  };
  const now: typeof hands.now = { drag: null, carry: null };
  hands = {
    now,
    dragFrom: vi.fn((from: unknown) => (now.drag = from)),
    carryFrom: vi.fn((from: unknown) => (now.carry = from)),
    copies: vi.fn(),
  };
  view = {
    grab: vi.fn(() => {
      useInterface.setState({ pull: 0 });
      return true;
    }),
    holdsHandle: vi.fn(() => false),
    pan: vi.fn(),
    showFrame: vi.fn(),
    frameBox: vi.fn(),
    pointedAt: vi.fn((p: unknown) => p),
    boxBetween: vi.fn(() => [0, 0, 1, 1]),
    turn: 0,
  };
  press = new Press({
    openLine: Object.assign(openLine, { hands }),
    view: { current: view },
    session: { drawing: "d" },
  } as unknown as TableParts);
});

/** Down, through the places, and up at the last of them. */
function gesture(places: readonly { x: number; y: number }[], { button = 0, shift = false, ctrl = false } = {}): void {
  const [first = at(0), ...rest] = places;
  press.down(first, button, ctrl);
  for (const place of rest) press.move(place);
  press.up(places.at(-1) ?? first, button, shift);
}

const writing = () =>
  useInterface.setState({ draft: { kind: "line", rows: [], at: null, again: false, clicks: [], beside: [] } });

describe("while something is written", () => {
  it("a press is a click, and a hand that trembles does not drag", () => {
    writing();
    gesture([at(0), at(3), at(5, 3), at(1)]);
    expect(openLine.click).toHaveBeenCalledOnce();
    expect(hands.dragFrom).not.toHaveBeenCalled();
  });

  it("a drag is let go where it came up; what is read knows where it went down", () => {
    writing();
    gesture([at(0), at(4), at(30), at(60)]);
    expect(hands.dragFrom).toHaveBeenCalledExactlyOnceWith(at(0));
    expect(openLine.click).toHaveBeenCalledOnce();
    // Esc drops it in the middle.
    openLine.click.mockClear();
    hands.dragFrom.mockImplementation(() => undefined);
    hands.now.drag = null;
    gesture([at(0), at(4), at(30), at(60)]);
    expect(openLine.click).not.toHaveBeenCalled();
  });

  it("where stretches are stroked over, a press is a stroke however short", () => {
    writing();
    openLine.strokeFrom.mockReturnValue(true);
    gesture([at(0)]);
    gesture([at(0), at(3), at(60)]);
    expect(openLine.strokeDone).toHaveBeenCalledTimes(2);
    expect(openLine.click).not.toHaveBeenCalled();
  });

  it("the paper can be moved all the same", () => {
    writing();
    gesture([at(0), at(20), at(50)], { button: 1 });
    expect(view["pan"]).toHaveBeenCalledTimes(2);
    expect(openLine.click).not.toHaveBeenCalled();
  });
});

describe("with nothing begun", () => {
  it("a click selects what is under it, with Shift as well", () => {
    gesture([at(0)]);
    gesture([at(0)], { shift: true });
    expect(openLine.click.mock.calls).toEqual([[false], [true]]);
  });

  it("a box takes what it holds, shown while it is drawn", async () => {
    gesture([at(0), at(40), at(80, 50)]);
    expect(view["showFrame"]).toHaveBeenCalledWith(at(0), at(40), true);
    await vi.waitFor(() => expect(useInterface.getState().selected).toBe("b"));
    expect(useInterface.getState().others).toEqual(["a"]);
  });

  it("a handle is pulled, and let go where the pointer comes up", () => {
    (view["holdsHandle"] as ReturnType<typeof vi.fn>).mockReturnValue(true);
    gesture([at(0), at(30)]);
    expect(view["grab"]).toHaveBeenCalledExactlyOnceWith(at(0));
    expect(openLine.click).toHaveBeenCalledOnce();
  });

  it("a click or a double click on a handle changes nothing, and selects what is under it", () => {
    useInterface.setState({ pointed: "a", selected: "a" });
    (view["holdsHandle"] as ReturnType<typeof vi.fn>).mockReturnValue(true);
    gesture([at(0), at(2), at(4, 2)]);
    gesture([at(4, 2)]);
    expect(view["grab"]).not.toHaveBeenCalled();
    expect(openLine.click.mock.calls).toEqual([[false], [false]]);
    expect(useInterface.getState().selected).toBe("a");
  });

  it("with Ctrl a box is seen larger", () => {
    gesture([at(0), at(30), at(60, 40)], { ctrl: true });
    expect(view["frameBox"]).toHaveBeenCalledWith(at(0), at(60, 40));
  });

  it("the right button opens the list, unless it moved the paper", () => {
    gesture([at(5)], { button: 2 });
    expect(useInterface.getState().menu).toEqual(at(5));
    useInterface.setState({ menu: null });
    gesture([at(5), at(50)], { button: 2 });
    expect(useInterface.getState().menu).toBeNull();
  });

  it("a second click takes all that hangs together", async () => {
    useInterface.setState({ pointed: "b" });
    press.twice();
    await vi.waitFor(() => expect(useInterface.getState().others).toEqual(["a", "c"]));
    expect(useInterface.getState().selected).toBe("b");
  });
});

it("a click while the figure that was begun is still on its way is for that figure", () => {
  Object.assign(openLine, { busy: true });
  gesture([at(0)]);
  expect(openLine.click).toHaveBeenCalledOnce();
});

it("coming up without having gone down is nothing", () => {
  writing();
  press.up(at(0), 0, false);
  expect(openLine.click).not.toHaveBeenCalled();
});

it("everything selected names its first apart", () => {
  selectAll(["a", "b", "c"], "b");
  expect(useInterface.getState()).toMatchObject({ selected: "b", others: ["a", "c"] });
});
