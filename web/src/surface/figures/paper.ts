/** What stands on the drawing as it does on paper: arrows are filled, words are set; the strokes are figures like any other. */
import type { Figure } from "../../api/types";
import type { Camera } from "../camera";
import { LETTERING } from "../look";
import { toScreen } from "../turned";

/** Height of the type's body for capitals 1 high. */
const BODY = 1.432665;
/** Capitals lower than this (pixels) cannot be read: a line stands for them. */
const FEWEST_PIXELS = 3;
const RADIANS = Math.PI / 180;
const ALIGNED = { start: "left", middle: "center", end: "right" } as const;

/** Fills the arrows and sets the words of what stands on paper; nothing of any other figure. */
export function drawOnPaper(g: CanvasRenderingContext2D, c: Camera, figure: Figure, colour: string): void {
  if (figure.kind !== "paper") return;
  g.fillStyle = colour;
  for (const fill of figure.fills ?? []) {
    g.beginPath();
    for (const at of fill) g.lineTo(...toScreen(c, at));
    g.fill();
  }
  g.textBaseline = "alphabetic";
  for (const words of figure.letters ?? []) {
    const height = words.height * c.scale;
    const [x, y] = toScreen(c, words.at);
    if (x < -2000 || y < -2000 || x > c.width + 2000 || y > c.height + 2000) continue;
    g.save();
    g.translate(x, y);
    g.rotate(-(words.direction - c.turn) * RADIANS);
    g.textAlign = ALIGNED[words.anchor];
    g.font = `${words.strong ? 600 : 400} ${(height * BODY).toFixed(2)}px ${LETTERING}`;
    if (height >= FEWEST_PIXELS) g.fillText(words.words, 0, 0);
    else {
      const width = g.measureText(words.words).width;
      g.globalAlpha = 0.35;
      g.fillRect({ left: 0, center: -width / 2, right: -width }[ALIGNED[words.anchor]], -height, width, height);
    }
    g.restore();
  }
}
