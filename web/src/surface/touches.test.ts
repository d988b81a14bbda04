import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { Touches } from "./touches";

const at = (x: number, y = 0) => ({ x, y });
const cancel = vi.fn();
const paper = { pan: vi.fn(), zoom: vi.fn() };
const rests = vi.fn();
let touches: Touches;

beforeEach(() => {
  vi.useFakeTimers();
  vi.clearAllMocks();
  touches = new Touches({ cancel }, () => paper, rests);
});
afterEach(() => vi.useRealTimers());

describe("fingers", () => {
  it("one draws", () => {
    expect([touches.down(1, at(0)), touches.move(1, at(40)), touches.up(1)]).toEqual([true, true, true]);
    vi.advanceTimersByTime(1000);
    expect(rests).not.toHaveBeenCalled();
  });

  it("two move the paper by their middle and zoom about it, and what the first began is dropped", () => {
    touches.down(1, at(0));
    expect(touches.down(2, at(100))).toBe(false);
    expect(cancel).toHaveBeenCalledOnce();
    expect(touches.move(2, at(200))).toBe(false);
    expect(paper.pan).toHaveBeenCalledExactlyOnceWith(50, 0);
    expect(paper.zoom).toHaveBeenCalledExactlyOnceWith(2, at(100));
    // Lifting one of them does not click, nor does the one that is left draw on.
    expect(touches.up(1)).toBe(false);
    expect(touches.move(2, at(300))).toBe(false);
    expect(touches.up(2)).toBe(false);
    expect(touches.down(3, at(5))).toBe(true);
  });

  it("one that rests opens the list and no longer draws; one that wanders does not", () => {
    touches.down(1, at(0));
    touches.move(1, at(3));
    vi.advanceTimersByTime(600);
    expect(rests).toHaveBeenCalledExactlyOnceWith(at(0));
    expect([cancel.mock.calls.length, touches.up(1)]).toEqual([1, false]);
    touches.down(2, at(0));
    touches.move(2, at(30));
    vi.advanceTimersByTime(600);
    expect(rests).toHaveBeenCalledOnce();
  });
});
