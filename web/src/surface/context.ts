/** What is drawn with on a canvas: in pixels of the page, however many the screen has for each. */
export function context(canvas: HTMLCanvasElement): CanvasRenderingContext2D {
  const g = canvas.getContext("2d");
  if (!g) throw new Error("this browser has no canvas to draw on");
  g.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
  return g;
}
