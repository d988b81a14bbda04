/** Milliseconds that are waited for a picture at most: a page that nobody sees paints none. */
const LONGEST = 50;

/** Resolves once what is shown now is on the screen. */
export function painted(): Promise<void> {
  return new Promise((resolve) => {
    setTimeout(resolve, LONGEST);
    if (typeof requestAnimationFrame !== "undefined") requestAnimationFrame(() => resolve());
  });
}
