/** Where others are on the drawing: a small open ring with a name, fading while they keep still; what they have selected, dotted. */
import type { Figure } from "../../api/types";
import type { Someone } from "../../state/others";
import { usePreferences } from "../../state/preferences";
import { useWho } from "../../state/who";
import type { Camera } from "../camera";
import { traceFigure } from "../figures";
import { LOOK } from "../look";
import { toScreen } from "../turned";
import { stroke } from "./figures";

const RING = 5;
/** Milliseconds after which somebody who keeps still fades, and by when they are faint. */
const STILL = 6_000;
const FAINT = 12_000;
const LEAST = 0.35;

/** Those who are shown: not oneself at another table, and nobody where that is turned off. */
export function shown(others: readonly Someone[]): readonly Someone[] {
  if (!usePreferences.getState().together) return [];
  const self = useWho.getState().who?.person?.name;
  return others.filter((one) => one.name !== self);
}

/** How clearly a pointer is seen that has been where it is for so many milliseconds. */
export function clearness(still: number): number {
  return 1 - (1 - LEAST) * Math.min(1, Math.max(0, (still - STILL) / (FAINT - STILL)));
}

/** Whether somebody is still fading, so that it must be drawn again before long. */
export const fading = (others: readonly Someone[], now: number): boolean =>
  shown(others).some((one) => one.at && now - one.since < FAINT);

export function drawPeople(
  g: CanvasRenderingContext2D,
  c: Camera,
  others: readonly Someone[],
  figures: readonly { readonly id: string; readonly figure: Figure | null }[],
  now: number,
): void {
  const seen = shown(others);
  const selected = new Set(seen.flatMap((one) => one.selected));
  if (selected.size > 0) {
    const path = new Path2D();
    for (const { id, figure } of figures) if (figure && selected.has(id)) traceFigure(path, c, figure);
    g.setLineDash([1, 5]);
    g.lineCap = "round";
    stroke(g, path, LOOK.other, 3);
    g.setLineDash([]);
    g.lineCap = "butt";
  }
  for (const one of seen) if (one.at) drawPointer(g, c, one, clearness(now - one.since));
}

function drawPointer(g: CanvasRenderingContext2D, c: Camera, one: Someone, clear: number): void {
  const [x, y] = toScreen(c, one.at ?? []);
  if (x < -RING || y < -RING || x > c.width + RING || y > c.height + RING) return;
  g.globalAlpha = clear;
  const ring = new Path2D();
  ring.arc(x, y, RING, 0, 2 * Math.PI);
  stroke(g, ring, LOOK.other, 1.75);
  g.font = '11px "IBM Plex Sans Variable", sans-serif';
  const width = g.measureText(one.name).width;
  // To the left where it would leave the paper.
  const left = x + RING + 5 + width + 8 > c.width ? x - RING - 13 - width : x + RING + 5;
  // An edge of paper keeps it readable and hides nothing of the drawing.
  g.strokeStyle = LOOK.paper;
  g.lineWidth = 3;
  g.lineJoin = "round";
  g.strokeText(one.name, left + 4, y + 16);
  g.fillStyle = LOOK.other;
  g.fillText(one.name, left + 4, y + 16);
  g.globalAlpha = 1;
}
