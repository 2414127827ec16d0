// Draws the map of a flow from the server's layout.
import { shape } from './threads.js';

const DYES = 7;
const HEAD = 19;
const LINE = 17;

function textLine(text, x, y, attributes = {}) {
  const line = shape('text', { x, y, ...attributes });
  line.textContent = text;
  return line;
}

const path = (line) => {
  const [first, ...rest] = line.points;
  return line.curved
    ? `M${first.x} ${first.y}C${rest.map((p) => `${p.x} ${p.y}`).join(' ')}`
    : `M${first.x} ${first.y}${rest.map((p) => `L${p.x} ${p.y}`).join('')}`;
};

/** A small triangle where a line ends, turned as the line comes in. */
function arrow(line) {
  const end = line.points.at(-1);
  const before = line.points.at(-2);
  const turn = (Math.atan2(end.y - before.y, end.x - before.x) * 180) / Math.PI;
  return shape('path', { class: 'arrow', d: 'M0 0L-9 -4.5L-9 4.5Z', transform: `translate(${end.x} ${end.y}) rotate(${turn})` });
}

function link(line, index) {
  const group = shape('g', {
    class: `link dye-${index % DYES}${line.up ? ' up' : ''}${line.curved ? ' across' : ''}${line.exits.every((exit) => exit === 'gave_up') ? ' spare' : ''}`,
    'data-line': index,
    'data-from': line.from,
    'data-to': line.to,
  });
  const d = path(line);
  group.append(shape('path', { class: 'line', d }), shape('path', { class: 'reach', d }), arrow(line));
  if (line.label) {
    const width = line.label.length * 6.4 + 8;
    group.append(
      shape('rect', { x: line.labelAt.x - width / 2, y: line.labelAt.y - 9, width, height: 18, rx: 3 }),
      textLine(line.label, line.labelAt.x, line.labelAt.y + 4),
    );
  }
  return group;
}

function node(it, about) {
  const { x, y, width, height } = it.box;
  const group = shape('g', {
    class: `node${it.pinned ? ' pinned' : ''}`,
    'data-step': it.step,
    tabindex: -1,
    role: 'button',
    'aria-label': `${about.label}: ${about.name}`,
  });
  const round = about.kind === 'choice' || about.kind === 'branch' || about.kind === 'experiment' ? 14 : 5;
  group.append(shape('rect', { x, y, width, height, rx: round }), textLine(about.label, x + 10, y + HEAD - 3, { class: 'kind' }));
  it.text.forEach((text, i) => group.append(textLine(text, x + 10, y + HEAD + 14 + i * LINE)));
  const open = about.exits.some((exit) => exit.usual && exit.target === '');
  if (about.exits.length > 0) {
    const handle = shape('circle', { class: `handle${open ? ' open-end' : ''}`, cx: x + width / 2, cy: y + height, r: 6, 'data-handle': it.step });
    const title = shape('title', {});
    title.textContent = 'Drag to the step that this one leads to';
    handle.append(title);
    group.append(handle);
  }
  return group;
}

function region(it) {
  const { x, y, width, height } = it.box;
  const group = shape('g', { class: 'region' });
  group.append(shape('rect', { x, y, width, height, rx: 9 }));
  return group;
}

/** Titles lie over everything, so that they are read from afar. */
function title(it) {
  return textLine(it.title, it.box.x + 16, it.box.y + 24, { class: 'region-title', 'data-room': it.box.width - 24 });
}

const TITLE = 15;
const SMALLEST_TITLE_SEEN = 12;

/** Makes the titles of regions large enough to be read at a zoom, as far as their regions are wide. */
export function sizeTitles(svg, zoom) {
  svg.querySelectorAll('.region-title').forEach((text) => {
    const widest = text.dataset.room / (text.textContent.length * 0.62);
    const size = Math.max(TITLE, Math.min(SMALLEST_TITLE_SEEN / zoom, widest));
    text.style.fontSize = `${size}px`;
    text.classList.toggle('over', size > TITLE * 1.4);
  });
}

/** Fills an SVG with a drawing. */
export function drawMap(svg, drawing) {
  const { layout, shapes } = drawing;
  svg.replaceChildren(
    ...layout.regions.map(region),
    ...layout.lines.map(link),
    ...layout.nodes.map((it) => node(it, shapes[it.step])),
    ...layout.regions.filter((it) => it.title).map(title),
  );
}

/** Fills the small map: regions, steps, and what is seen of them. */
export function drawSmall(svg, layout) {
  const box = (it, name) => shape('rect', { class: name, x: it.box.x, y: it.box.y, width: it.box.width, height: it.box.height });
  const b = layout.bounds;
  svg.setAttribute('viewBox', `${b.x} ${b.y} ${b.width} ${b.height}`);
  svg.replaceChildren(
    ...layout.regions.map((it) => box(it, 'region')),
    ...layout.nodes.map((it) => box(it, 'node')),
    shape('rect', { class: 'seen', 'stroke-width': Math.max(b.width, b.height) / 90 }),
  );
}

const INLINED = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order',
];

/** The whole map as the text of an SVG file that needs no style sheet. */
export function asFile(svg, bounds, paper) {
  const copy = svg.cloneNode(true);
  const from = svg.querySelectorAll('*');
  copy.querySelectorAll('*').forEach((element, i) => {
    const style = getComputedStyle(from[i]);
    INLINED.forEach((name) => element.setAttribute(name, style.getPropertyValue(name)));
  });
  copy.querySelectorAll('.reach, .handle, .link-plus, .dragged').forEach((element) => element.remove());
  copy.removeAttribute('tabindex');
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `${bounds.x} ${bounds.y} ${bounds.width} ${bounds.height}`);
  copy.setAttribute('width', bounds.width);
  copy.setAttribute('height', bounds.height);
  copy.prepend(shape('rect', { x: bounds.x, y: bounds.y, width: bounds.width, height: bounds.height, fill: paper }));
  return new XMLSerializer().serializeToString(copy);
}
