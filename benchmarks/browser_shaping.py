"""Shaping by hand in a browser: the stretch under the pointer, a drag of a thousand figures, a stroke over twenty stretches."""

from typing import Any

from playwright.sync_api import Page

# Milliseconds from the button let go to the steps that were stroked over, painted.
UP = """
async (more) => {
  const surface = document.querySelector('main');
  const canvas = document.querySelector('[data-testid=figures]');
  const wanted = Number(canvas.dataset.steps) + more;
  const begun = performance.now();
  await new Promise((resolve) => {
    const seen = new MutationObserver(() => {
      if (Number(canvas.dataset.steps) < wanted) return;
      seen.disconnect();
      requestAnimationFrame(resolve);
    });
    seen.observe(canvas, { attributes: true, attributeFilter: ['data-steps'] });
    surface.dispatchEvent(new PointerEvent('pointerup', { bubbles: true, button: 0 }));
  });
  return performance.now() - begun;
}
"""
STROKES = 8
CROSSED = 20


def combed(rows: int) -> str:
    """Lines across, and lines up between which a stroke goes over twenty stretches at a time."""
    across = [f"pencil line from 0, {20 * n} to 420, {20 * n}" for n in range(rows + 1)]
    return "\n".join(
        [*across, *(f"pencil line from {20 * n + 10}, -10 to {20 * n + 10}, {20 * rows + 10}" for n in range(CROSSED))]
    )


def thousand() -> str:
    """A thousand circles."""
    return "\n".join(f"circle centre {10 * (n % 40)}, {10 * (n // 40)} radius 3" for n in range(1000))


def strokes(page: Page) -> list[float]:
    """Times of strokes over twenty stretches each, from the button let go to inked."""
    page.keyboard.type("ink")
    page.keyboard.press("Enter")
    page.wait_for_timeout(400)
    times: list[float] = []
    for n in range(STROKES):
        y = 20 * n + 10
        page.mouse.move(*_pixel(page, 3, y))
        page.mouse.down()
        page.mouse.move(*_pixel(page, 20 * CROSSED, y), steps=12)
        page.wait_for_timeout(300)
        times.append(page.evaluate(UP, CROSSED))
        page.mouse.up()
        page.wait_for_timeout(200)
    return times


def takes_hold(page: Page) -> None:
    """All is selected, and the button goes down on one of the figures and moves it."""
    page.mouse.click(*_pixel(page, 203, 120))
    page.wait_for_timeout(200)
    page.keyboard.press("ContextMenu")
    page.get_by_label("At the pointer").get_by_role("button", name="Everything", exact=True).click()
    page.wait_for_timeout(500)
    page.mouse.move(*_pixel(page, 203, 120))
    page.wait_for_timeout(300)
    page.mouse.down()
    page.mouse.move(*_pixel(page, 230, 130), steps=4)
    page.wait_for_timeout(300)


def _pixel(page: Page, x: float, y: float) -> tuple[float, float]:
    camera = page.get_by_test_id("figures").get_attribute("data-camera")
    box: Any = page.locator("main").bounding_box()
    cx, cy, scale, _ = map(float, (camera or "").split())
    return box["x"] + box["width"] / 2 + (x - cx) * scale, box["y"] + box["height"] / 2 - (y - cy) * scale
