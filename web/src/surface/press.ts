/** What a pointer does on the surface between going down and coming up: click, drag from place to place, pull, box, move the paper. */
import { openMenu } from "../state/actions";
import { alike, inside } from "../api/client";
import { pointForBacking, useBacking } from "../state/backing";
import { unlocked } from "../state/groups";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { selectAll, selectedIds } from "../state/selection";
import { putDown } from "../table/clipboard";
import type { TableParts } from "../table/context";
import type { View } from "./view";

type Place = { readonly x: number; readonly y: number };
type Doing = "click" | "stroke" | "carry" | "put" | "pull" | "choose" | "look" | "pan";

/** While these begin, what is under the pointer is read on. */
const READ_UNDER: ReadonlySet<Doing> = new Set(["put", "click", "pull", "stroke", "carry"]);
/** Further than a hand trembles while it clicks. */
const DRAG_PIXELS = 6;

/** What stands on the drawing and can be put elsewhere, where the pointer is on it. */
function onPaper(): string | null {
  const { pointed } = useInterface.getState();
  const kind = useDocument.getState().byId.get(pointed ?? "")?.kind ?? "";
  return ["dimension", "note", "detail"].includes(kind) ? pointed : null;
}

export class Press {
  private doing: Doing | null = null;
  private from: Place = { x: 0, y: 0 };
  private moved = false;

  constructor(private readonly parts: TableParts) {}

  down(at: Place, button: number, ctrl: boolean): void {
    this.from = at;
    this.moved = false;
    const { draft, text, mend } = useInterface.getState();
    const view = this.parts.view.current;
    const over = selectedIds().includes(useInterface.getState().pointed ?? "");
    if (button === 0 && useBacking.getState().asking) {
      const place = view?.takenAt(at);
      if (place) void pointForBacking(this.parts.session.drawing, place);
      this.doing = null;
    } else if (button !== 0) this.doing = "pan";
    else if (useInterface.getState().placing) this.doing = "put";
    // With Ctrl what is selected is copied; elsewhere a box is drawn to be seen larger.
    else if (ctrl) this.doing = over && !draft && !mend && text === "" ? "carry" : "look";
    else if (this.parts.openLine.strokeFrom(view?.pointedAt(at) ?? null)) this.doing = "stroke";
    // A figure that was begun a moment ago may still be on its way: the click is for it.
    else if (draft || mend || text !== "" || this.parts.openLine.busy) this.doing = "click";
    // Of several that are selected none is pulled by its own places.
    else if (view?.holdsHandle(at) && useInterface.getState().others.length === 0) this.doing = "pull";
    else if (onPaper() !== null && view) this.doing = "pull";
    else if (over) this.doing = "carry";
    else this.doing = "choose";
  }

  /** Answers whether the pointer is taken up by what is being done, so that nothing is read under it. */
  move(at: Place, ctrl = false): boolean {
    const view = this.parts.view.current;
    if (!view || !this.doing) return false;
    const started = !this.moved && Math.hypot(at.x - this.from.x, at.y - this.from.y) > DRAG_PIXELS;
    if (started) this.moved = true;
    if (!this.moved) return !READ_UNDER.has(this.doing);
    switch (this.doing) {
      case "pan":
        view.pan(at.x - this.from.x, at.y - this.from.y);
        this.from = at;
        return false;
      case "click":
        // From place to place, where what is written takes two.
        if (started) this.parts.openLine.hands.dragFrom(view.pointedAt(this.from));
        return false;
      case "pull":
        // A click on a handle, or a double click, changes nothing: pulling begins once the pointer has left it.
        if (started && !view.grab(this.from) && !view.grabOnPaper(onPaper())) this.doing = null;
        return false;
      case "carry":
        if (started) this.parts.openLine.hands.carryFrom(view.pointedAt(this.from));
        this.parts.openLine.hands.copies(ctrl);
        return false;
      case "look":
      case "choose":
        view.showFrame(this.from, at, this.doing === "choose");
        return true;
      default:
        return false;
    }
  }

  up(at: Place, button: number, shift: boolean, ctrl = false): void {
    const doing = this.doing;
    this.doing = null;
    const { openLine, view: held } = this.parts;
    const view = held.current;
    if (!view || !doing) return;
    const { now } = openLine.hands;
    if (doing === "carry") openLine.hands.copies(ctrl);
    if (doing === "put") this.put();
    else if (doing === "stroke") openLine.strokeDone();
    else if (doing === "click" || ((doing === "carry" || doing === "pull") && this.moved)) {
      // What Esc has dropped in the middle of it is not let go any more.
      const held = { click: now.drag, carry: now.carry, pull: useInterface.getState().pull }[doing];
      if (!this.moved || held !== null) openLine.click();
    } else if (doing === "look") view.frameBox(this.from, at);
    else if (doing === "pan") {
      if (!this.moved && button === 2) openMenu(at);
    } else if (this.moved && doing === "choose") this.box(view, at, shift);
    else openLine.click(shift);
  }

  /** What was pasted is put down where the tag says. */
  private put(): void {
    const { openLine, session } = this.parts;
    const given = { text: "", pointer: openLine.pointer };
    openLine.inTurn(async () => {
      await putDown(session, await openLine.reads(given), openLine.inFrontOf());
      openLine.refresh();
    });
  }

  /** What was begun by going down is dropped: a second finger came. */
  cancel(): void {
    this.parts.view.current?.showFrame(null, null, false);
    if (this.parts.openLine.drop()) this.parts.openLine.refresh();
    this.doing = null;
  }

  /** A second click takes all that hangs together. */
  twice(): void {
    const { draft, text, pointed } = useInterface.getState();
    if (draft || text !== "" || pointed === null) return;
    // Behind the two clicks that it is made of: they may still be on their way.
    this.parts.openLine.inTurn(async () =>
      selectAll(await alike(this.parts.session.drawing, pointed, "together"), pointed),
    );
  }

  private box(view: View, at: Place, shift: boolean): void {
    const [left, bottom, right, top] = view.boxBetween(this.from, at);
    view.showFrame(null, null, false);
    const within = { left, bottom, right, top, turn: view.turn, touched: shift };
    this.parts.openLine.inTurn(async () => {
      const found = unlocked(await inside(this.parts.session.drawing, within));
      selectAll(found, found.at(-1) ?? null);
    });
  }
}
