/** The picture under the drawing, or pinned in a corner of the view. */
import type { Backing } from "../../api/types";
import type { Camera } from "../camera";
import { toScreen } from "../turned";

const PINNED_SHARE = 0.32;
const MARGIN = 14;

export function drawBacking(g: CanvasRenderingContext2D, c: Camera, backing: Backing, image: HTMLImageElement): void {
  const { pinned, x, y, scale, turn, strength, shown } = backing.placing;
  if (!shown) return;
  g.save();
  g.globalAlpha = strength;
  if (pinned) {
    const fit = Math.min((c.width * PINNED_SHARE) / backing.width, (c.height * PINNED_SHARE) / backing.height);
    g.drawImage(image, MARGIN, MARGIN, backing.width * fit, backing.height * fit);
  } else {
    g.translate(...toScreen(c, [x, y]));
    g.rotate((-(turn - c.turn) * Math.PI) / 180);
    g.scale(scale * c.scale, scale * c.scale);
    g.drawImage(image, 0, -backing.height);
  }
  g.restore();
}
