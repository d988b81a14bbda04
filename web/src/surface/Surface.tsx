/** The surface: three canvases one over the other, the pointer and its tag. */
import { openMenu } from "../state/actions";
import { Box, chakra } from "@chakra-ui/react";
import { type PointerEvent, useEffect, useMemo, useRef } from "react";

import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { EmptyPage } from "./EmptyPage";
import { PointerMenu } from "./PointerMenu";
import { Views } from "./Views";
import { Press } from "./press";
import { placeTag } from "./tag";
import { Touches } from "./touches";
import { View } from "./view";

const ZOOM_A_NOTCH = 1.2;
const Layer = chakra("canvas", { base: { position: "absolute", inset: 0, width: "100%", height: "100%" } });

export function Surface() {
  const { openLine, view, pointerTag } = useTable();
  const frame = useRef<HTMLDivElement>(null);
  const grid = useRef<HTMLCanvasElement>(null);
  const figures = useRef<HTMLCanvasElement>(null);
  const overlay = useRef<HTMLCanvasElement>(null);
  const menu = useInterface((i) => i.menu);
  const parts = useTable();
  const press = useMemo(() => new Press(parts), [parts]);
  const touches = useMemo(() => new Touches(press, () => parts.view.current, openMenu), [press, parts]);

  useEffect(() => {
    if (!frame.current || !grid.current || !figures.current || !overlay.current) return;
    const box = frame.current;
    const made = new View(box, { grid: grid.current, figures: figures.current, overlay: overlay.current }, () =>
      openLine.point(made.pointed()),
    );
    view.current = made;
    const sizes = new ResizeObserver(() => made.resize(box.clientWidth, box.clientHeight));
    sizes.observe(box);
    const onWheel = (event: WheelEvent) => wheel(event, made, box);
    box.addEventListener("wheel", onWheel, { passive: false });
    return () => {
      sizes.disconnect();
      box.removeEventListener("wheel", onWheel);
      made.close();
      view.current = null;
    };
  }, [openLine, view]);

  const place = (event: PointerEvent): { x: number; y: number } => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const touched = (event: PointerEvent) => event.pointerType === "touch";
  const move = (event: PointerEvent) => {
    const at = place(event);
    if (touched(event) && !touches.move(event.pointerId, at)) return;
    if (press.move(at, event.ctrlKey)) return;
    view.current?.movePointer(at.x, at.y, event.shiftKey);
    const size = view.current?.size;
    if (size) placeTag(pointerTag.current, at.x, at.y, size.width, size.height);
  };
  const down = (event: PointerEvent) => {
    if (event.target instanceof Element && event.target.closest("[data-own-keys]")) return;
    openMenu(null);
    const at = place(event);
    event.currentTarget.setPointerCapture(event.pointerId);
    if (touched(event)) {
      if (!touches.down(event.pointerId, at)) return;
      // A finger comes from nowhere: what lies under it is looked at before it draws.
      view.current?.movePointer(at.x, at.y, event.shiftKey);
    }
    press.down(at, event.button, event.ctrlKey);
  };
  const up = (event: PointerEvent) => {
    if (touched(event) && !touches.up(event.pointerId)) return;
    press.up(place(event), event.button, event.shiftKey, event.ctrlKey);
  };
  const cancelled = (event: PointerEvent) => {
    if (touched(event)) touches.up(event.pointerId);
    press.cancel();
  };

  return (
    <Box
      ref={frame}
      as="main"
      aria-label="Drawing surface"
      position="relative"
      flex="1"
      minW="0"
      overflow="hidden"
      cursor="crosshair"
      touchAction="none"
      onPointerMove={move}
      onPointerDown={down}
      onPointerUp={up}
      onPointerCancel={cancelled}
      onDoubleClick={() => press.twice()}
      onPointerLeave={() => view.current?.leavePointer()}
      onContextMenu={(e) => e.preventDefault()}
    >
      <Layer ref={grid} />
      <Layer ref={figures} data-testid="figures" />
      <Layer ref={overlay} data-testid="overlay" />
      <Empty />
      <Views />
      {menu && <PointerMenu at={menu} close={() => openMenu(null)} />}
      <Tag ref={pointerTag} data-testid="pointer-tag" data-shown="false" />
    </Box>
  );
}

function Empty() {
  const empty = useDocument((d) => d.connection === "open" && d.steps.length === 0);
  const begun = useInterface((i) => i.draft !== null || i.text !== "");
  return empty && !begun ? <EmptyPage /> : null;
}

const Tag = chakra("div", {
  base: {
    position: "absolute",
    top: 0,
    left: 0,
    pointerEvents: "none",
    bg: "panel",
    borderWidth: "1px",
    borderColor: "rule",
    borderLeftWidth: "3px",
    borderLeftColor: "quiet",
    borderRadius: "4px",
    px: "2",
    py: "1",
    fontSize: "12px",
    fontVariantNumeric: "tabular-nums",
    whiteSpace: "nowrap",
    "&[data-shown=false]": { visibility: "hidden" },
    "&[data-special=true]": { borderLeftColor: "snap" },
    "& [data-kind=typed]": { fontFamily: "mono", color: "place" },
    "& [data-kind=live]": { color: "quiet" },
  },
});

/** A notch of a wheel zooms to the pointer; two fingers move the paper, pinching zooms. */
function wheel(event: WheelEvent, view: View, box: HTMLElement): void {
  event.preventDefault();
  const rect = box.getBoundingClientRect();
  const x = event.clientX - rect.left;
  const y = event.clientY - rect.top;
  if (event.ctrlKey) view.zoom(Math.exp(-event.deltaY / 100), { x, y });
  else if (isNotch(event)) view.zoom(event.deltaY < 0 ? ZOOM_A_NOTCH : 1 / ZOOM_A_NOTCH, { x, y });
  else view.pan(-event.deltaX, -event.deltaY);
}

function isNotch(event: WheelEvent): boolean {
  if (event.deltaMode !== WheelEvent.DOM_DELTA_PIXEL) return true;
  return event.deltaX === 0 && Math.abs(event.deltaY) >= 50 && Number.isInteger(event.deltaY);
}
