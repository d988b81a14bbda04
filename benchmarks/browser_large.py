"""The large drawing in a browser: moving the paper, and opening it."""

from typing import Any

from playwright.sync_api import Page

REPAINTS = 30

# Milliseconds of a sharp repaint with everything rastered, and of a bare loop that strokes the same shapes.
REPAINT = """
async ([count, figures]) => {
  const surface = document.querySelector('main');
  const canvas = document.querySelector('[data-testid=figures]');
  const box = surface.getBoundingClientRect();
  const at = { clientX: box.left + box.width / 2, clientY: box.top + box.height / 2, bubbles: true, cancelable: true };
  const g = canvas.getContext('2d');
  const bare = document.createElement('canvas');
  bare.width = canvas.width; bare.height = canvas.height;
  const b = bare.getContext('2d');
  const ours = [], theirs = [], moved = [];
  for (let n = 0; n < count; n++) {
    const begun = performance.now();
    const sharp = new Promise((resolve) => {
      const seen = new MutationObserver(() => { seen.disconnect(); resolve(); });
      seen.observe(canvas, { attributes: true, attributeFilter: ['data-took'] });
    });
    const shifted = new Promise((resolve) => {
      const seen = new MutationObserver(() => { seen.disconnect(); resolve(performance.now() - begun); });
      seen.observe(canvas, { attributes: true, attributeFilter: ['style', 'data-took'] });
    });
    surface.dispatchEvent(new WheelEvent('wheel', { ...at, deltaX: n % 2 ? 7 : -7, deltaY: 3.5 }));
    moved.push(await shifted);
    await sharp;
    const flush = performance.now();
    g.getImageData(0, 0, 1, 1);
    ours.push(Number(canvas.dataset.took) + performance.now() - flush);
    const [cx, cy, scale] = canvas.dataset.camera.split(' ').map(Number);
    const sx = (x) => (x - cx) * scale + box.width / 2, sy = (y) => (cy - y) * scale + box.height / 2;
    const first = performance.now();
    b.clearRect(0, 0, bare.width, bare.height);
    b.lineWidth = 1.75; b.strokeStyle = '#1B2A49'; b.lineJoin = b.lineCap = 'round';
    b.beginPath();
    for (const f of figures) {
      if (f.kind === 'line') { b.moveTo(sx(f.from[0]), sy(f.from[1])); b.lineTo(sx(f.to[0]), sy(f.to[1])); }
      else if (f.kind === 'circle') {
        b.moveTo(sx(f.centre[0] + f.radius), sy(f.centre[1]));
        b.arc(sx(f.centre[0]), sy(f.centre[1]), f.radius * scale, 0, 2 * Math.PI);
      } else if (f.kind === 'arc') {
        const t = Math.atan2(f.from[1] - f.centre[1], f.from[0] - f.centre[0]);
        b.moveTo(sx(f.from[0]), sy(f.from[1]));
        b.arc(sx(f.centre[0]), sy(f.centre[1]), f.radius * scale, -t, -t - f.sweep * Math.PI / 180, f.sweep > 0);
      } else {
        const x = sx(f.at[0]), y = sy(f.at[1]);
        b.moveTo(x - 4, y - 4); b.lineTo(x + 4, y + 4); b.moveTo(x - 4, y + 4); b.lineTo(x + 4, y - 4);
      }
    }
    b.stroke();
    b.getImageData(0, 0, 1, 1);
    theirs.push(performance.now() - first);
  }
  return { ours, theirs, moved };
}
"""

# Milliseconds to fetch and parse what is kept of the drawing, and from the shelf to the first picture.
FETCH = """
async (path) => {
  const begun = performance.now();
  const text = await (await fetch(path)).text();
  JSON.parse('[' + text.replaceAll('\\n', ',') + ']');
  return performance.now() - begun;
}
"""
OPEN = """
async (path) => {
  const begun = performance.now();
  const painted = new Promise((resolve) => {
    const seen = new MutationObserver(() => {
      const canvas = document.querySelector('[data-testid=figures][data-took]');
      // The paper is painted before the drawing is there; its figures are the first picture.
      if (canvas && Number(canvas.dataset.steps) > 0) {
        seen.disconnect();
        requestAnimationFrame(() => resolve(performance.now() - begun));
      }
    });
    seen.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['data-steps'] });
  });
  history.pushState({}, '', path);
  dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  return painted;
}
"""


def repaints(page: Page, figures: list[Any]) -> dict[str, list[float]]:
    """Times of sharp repaints, of the bare loop, and until the picture as it is has moved."""
    found: dict[str, list[float]] = page.evaluate(REPAINT, [REPAINTS, figures])
    return found


def in_sight(page: Page, figures: list[Any]) -> list[Any]:
    """The figures of which the box comes into view."""
    camera = page.get_by_test_id("figures").get_attribute("data-camera") or ""
    x, y, scale = map(float, camera.split()[:3])
    size = page.get_by_label("Drawing surface").bounding_box()
    assert size is not None
    across, up = size["width"] / 2 / scale, size["height"] / 2 / scale
    return [
        figure for figure in figures
        if figure["box"][0] < x + across and figure["box"][2] > x - across
        and figure["box"][1] < y + up and figure["box"][3] > y - up
    ]  # fmt: skip


def kept(page: Page, address: str, id: str) -> str:
    """Where what is kept of a large drawing is, once it is."""
    path = f"/api/drawings/{id}/opened"
    while page.request.get(address + path).status != 200:
        page.wait_for_timeout(200)
    return path


def openings(page: Page, address: str, id: str) -> tuple[list[float], list[float]]:
    """Times from the shelf to the first picture, and to fetch and parse the same data."""
    path = kept(page, address, id)
    first: list[float] = []
    fetched: list[float] = []
    for _ in range(6):
        page.goto(address)
        page.wait_for_timeout(800)
        fetched.append(page.evaluate(FETCH, path))
        page.wait_for_timeout(300)
        first.append(page.evaluate(OPEN, f"/drawings/{id}"))
    return first, fetched
