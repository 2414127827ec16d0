// Panning and zooming an SVG by its view box, with wheel, pinch, drag and keys.

const NEAREST = 3;
const FARTHEST = 0.04;
/** Kept free around a map that is fitted to its place, in pixels. */
const MARGIN = 28;

export class ViewBox {
  /**
   * @param {SVGElement} svg
   * @param {() => void} moved
   */
  constructor(svg, moved) {
    this.svg = svg;
    this.moved = moved;
    this.bounds = { x: 0, y: 0, width: 1, height: 1 };
    this.zoom = 1;
    this.x = 0;
    this.y = 0;
    this.fingers = new Map();
    this.frame = 0;
    svg.addEventListener(
      'wheel',
      (event) => {
        event.preventDefault();
        if (event.ctrlKey || event.metaKey || (!event.shiftKey && Math.abs(event.deltaY) > Math.abs(event.deltaX))) {
          this.by(1.0015 ** -event.deltaY, event.clientX, event.clientY);
        } else {
          this.pan(event.deltaX || event.deltaY, event.deltaX ? event.deltaY : 0);
        }
      },
      { passive: false },
    );
    svg.addEventListener('pointerdown', (event) => {
      if (!event.defaultPrevented) {
        this.fingers.set(event.pointerId, event);
      }
    });
    svg.addEventListener('pointermove', (event) => this.dragged(event));
    for (const end of ['pointerup', 'pointercancel']) {
      svg.addEventListener(end, (event) => this.fingers.delete(event.pointerId));
    }
    new ResizeObserver(() => this.apply()).observe(svg);
  }

  dragged(event) {
    const before = this.fingers.get(event.pointerId);
    if (!before) {
      return;
    }
    // Not before it moves: a press that is let go where it was is a click on what is there.
    this.svg.setPointerCapture(event.pointerId);
    const others = [...this.fingers.entries()].filter(([id]) => id !== event.pointerId).map(([, other]) => other);
    if (others.length === 0) {
      this.pan(before.clientX - event.clientX, before.clientY - event.clientY);
    } else {
      const [other] = others;
      const apart = (it) => Math.hypot(it.clientX - other.clientX, it.clientY - other.clientY);
      this.by(apart(event) / Math.max(1, apart(before)), other.clientX, other.clientY);
    }
    this.fingers.set(event.pointerId, event);
  }

  /** From a place on the screen to one on the map. */
  at(clientX, clientY) {
    const box = this.svg.getBoundingClientRect();
    return { x: this.x + (clientX - box.left) / this.zoom, y: this.y + (clientY - box.top) / this.zoom };
  }

  pan(dx, dy) {
    this.x += dx / this.zoom;
    this.y += dy / this.zoom;
    this.apply();
  }

  /** Zooms by a factor about a place on the screen, or the middle. */
  by(factor, clientX, clientY) {
    const box = this.svg.getBoundingClientRect();
    const cx = clientX ?? box.left + box.width / 2;
    const cy = clientY ?? box.top + box.height / 2;
    const still = this.at(cx, cy);
    this.zoom = Math.min(NEAREST, Math.max(FARTHEST, this.zoom * factor));
    this.x = still.x - (cx - box.left) / this.zoom;
    this.y = still.y - (cy - box.top) / this.zoom;
    this.apply();
  }

  fit() {
    const box = this.svg.getBoundingClientRect();
    this.zoom = Math.min(1.2, Math.max(FARTHEST, Math.min((box.width - MARGIN) / this.bounds.width, (box.height - MARGIN) / this.bounds.height)));
    this.x = this.bounds.x - (box.width / this.zoom - this.bounds.width) / 2;
    this.y = this.bounds.y - (box.height / this.zoom - this.bounds.height) / 2;
    this.apply();
  }

  /** Brings a place into the middle, near enough to read. */
  center(x, y) {
    const box = this.svg.getBoundingClientRect();
    this.zoom = Math.max(this.zoom, 0.8);
    this.x = x - box.width / this.zoom / 2;
    this.y = y - box.height / this.zoom / 2;
    this.apply();
  }

  get seen() {
    const box = this.svg.getBoundingClientRect();
    return { x: this.x, y: this.y, width: box.width / this.zoom, height: box.height / this.zoom };
  }

  /** Once a frame, however often it is moved. */
  apply() {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame(() => {
      const { x, y, width, height } = this.seen;
      this.svg.setAttribute('viewBox', `${x} ${y} ${width} ${height}`);
      this.moved();
    });
  }

  /** Lets the buttons of a page and a press on the small drawing steer it. */
  steeredBy(small, page) {
    page.querySelectorAll('[data-zoom]').forEach((zoom) => zoom.addEventListener('click', () => this.by(Number(zoom.dataset.zoom))));
    page.querySelector('[data-fit]').addEventListener('click', () => this.fit());
    small.addEventListener('pointerdown', (event) => {
      const box = small.getBoundingClientRect();
      const { x, y, width, height } = this.bounds;
      const scale = Math.max(width / box.width, height / box.height);
      this.center(x + width / 2 + (event.clientX - box.left - box.width / 2) * scale, y + height / 2 + (event.clientY - box.top - box.height / 2) * scale);
    });
  }
}
