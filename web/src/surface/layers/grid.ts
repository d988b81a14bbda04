/** The quiet grid, the axes of the datum, and the scale bar. */
import type { Camera } from "../camera";
import { roundBelow, toDrawingX, toDrawingY, toScreenX, toScreenY } from "../camera";
import { FONT, LOOK } from "../look";
import { seen, toScreen } from "../turned";

const FEWEST_PIXELS = 28;

export function drawPaper(g: CanvasRenderingContext2D, c: Camera): void {
  g.fillStyle = LOOK.paper;
  g.fillRect(0, 0, c.width, c.height);
}

export function drawGrid(g: CanvasRenderingContext2D, c: Camera, datum: readonly number[]): void {
  const step = roundBelow((FEWEST_PIXELS * 2.5) / c.scale);
  drawDots(g, c, step, seen(c, datum));
  drawDatum(g, c, datum);
}

/** Dots a round distance apart, counted from the datum. */
function drawDots(g: CanvasRenderingContext2D, c: Camera, step: number, [ox, oy]: readonly [number, number]): void {
  const left = Math.ceil((toDrawingX(c, 0) - ox) / step);
  const bottom = Math.ceil((toDrawingY(c, c.height) - oy) / step);
  const across = Math.floor((toDrawingX(c, c.width) - ox) / step) - left;
  const up = Math.floor((toDrawingY(c, 0) - oy) / step) - bottom;
  if (across > 400 || up > 400 || across < 0 || up < 0) return;
  g.fillStyle = LOOK.grid;
  for (let i = 0; i <= across; i++) {
    const sx = toScreenX(c, ox + (left + i) * step);
    for (let j = 0; j <= up; j++) {
      const sy = toScreenY(c, oy + (bottom + j) * step);
      g.fillRect(sx - 0.75, sy - 0.75, 1.5, 1.5);
    }
  }
}

/** The datum: a small angle at the place where coordinates count from. */
function drawDatum(g: CanvasRenderingContext2D, c: Camera, datum: readonly number[]): void {
  const turn = (datum[2] ?? 0) - c.turn;
  g.save();
  g.translate(...toScreen(c, datum));
  g.rotate((-turn * Math.PI) / 180);
  g.strokeStyle = LOOK.axis;
  g.lineWidth = 1.5;
  g.beginPath();
  g.moveTo(26, 0);
  g.lineTo(0, 0);
  g.lineTo(0, -26);
  g.stroke();
  g.restore();
}

/** The scale bar, over the drawing: on a bit of paper of its own, so that it can be read among thousands of lines. */
export function drawScaleBar(g: CanvasRenderingContext2D, c: Camera, unit: string): void {
  const length = roundBelow(120 / c.scale);
  const px = length * c.scale;
  const y = c.height - 20.5;
  const words = `${scaleWords(length)} ${unit}`;
  g.beginPath();
  g.moveTo(18.5, y - 5);
  g.lineTo(18.5, y);
  g.lineTo(18.5 + px, y);
  g.lineTo(18.5 + px, y - 5);
  g.font = FONT;
  g.textAlign = "left";
  g.lineJoin = "round";
  // A rim of paper sets it off; what is drawn beneath goes on being seen.
  for (const [colour, width] of [[LOOK.paper, 4] as const, [LOOK.quiet, 1] as const]) {
    g.strokeStyle = colour;
    g.lineWidth = width;
    g.stroke();
    if (width > 1) g.strokeText(words, 18, y - 9);
  }
  g.fillStyle = LOOK.quiet;
  g.fillText(words, 18, y - 9);
}

/** Where the scale bar stands: left, top, right, bottom. */
export function scaleBarRect(c: Camera): readonly [number, number, number, number] {
  return [12, c.height - 45, 31 + Math.max(roundBelow(120 / c.scale) * c.scale, 60), c.height - 14];
}

function scaleWords(length: number): string {
  return length >= 1e6 || length < 1e-4 ? length.toExponential(0) : String(Number(length.toPrecision(1)));
}
