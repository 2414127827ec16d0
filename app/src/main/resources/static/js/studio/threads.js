// Draws the threads of a script beside its rows. Lanes are computed by the server; only heights are measured here.

const WIDEST_LANE = 22;
const NARROWEST_LANE = 11;
const NARROWEST_LANE_NARROW = 5;
const ALL_LANES = 140;
const ALL_LANES_NARROW = 56;
const LEFT = 14;
/** Where nothing leaves or joins a thread for longer than this, it is drawn faintly but for its ends, in pixels. */
const FAR = 560;
const NEAR = 190;
const DYES = 7;
const NS = 'http://www.w3.org/2000/svg';

const dye = (lane) => `dye-${lane % DYES}`;

export function shape(name, attributes) {
  const element = document.createElementNS(NS, name);
  for (const [key, value] of Object.entries(attributes)) {
    element.setAttribute(key, value);
  }
  return element;
}

/** Heights of everything that is drawn to, read at once before anything is drawn. Rows that are folded lie at their heading. */
function measure(rows, elements) {
  const top = rows.getBoundingClientRect().top;
  const middle = (element) => {
    const box = element.getBoundingClientRect();
    return box.top - top + Math.min(box.height, 22) / 2;
  };
  const heads = new Map();
  return elements.map((row) => {
    const part = row.parentElement;
    if (part.classList.contains('folded')) {
      if (!heads.has(part)) {
        heads.set(part, middle(part.querySelector('.part-head')));
      }
      return { folded: true, mark: heads.get(part), dots: new Map() };
    }
    const dots = new Map();
    row.querySelectorAll('[data-dot]').forEach((dot) => {
      if (dot.offsetParent !== null) {
        dots.set(dot.dataset.dot, { element: dot, y: middle(dot) });
      }
    });
    return { folded: false, mark: middle(row.querySelector('.kind-button')), dots };
  });
}

/** One thread's strokes. A stroke is what is seen and, wider and unseen, what the pointer meets. */
function thread(it, index, places, layout, x, straight) {
  const group = shape('g', {
    class: `thread ${dye(it.lane)}${it.up ? ' up' : ''}${it.feeders.every((feeder) => feeder.exit === 'gave_up') ? ' spare' : ''}`,
    'data-thread': index,
  });
  const draw = (d, lane) => {
    group.append(shape('path', { class: lane === undefined ? 'line' : `line ${dye(lane)}`, d }), shape('path', { class: 'reach', d }));
  };
  // Down or up the thread's own lane, faintly where it only passes by.
  const run = (from, to, stops) => {
    const ys = [...new Set([from, ...stops, to])].sort((a, b) => a - b).filter((y) => y >= Math.min(from, to) && y <= Math.max(from, to));
    let near = ys[0];
    const line = (a, b, name) => group.append(shape('path', { class: name, d: `M${x(it.lane)} ${a}V${b}` }));
    ys.slice(1).forEach((y, i) => {
      if (y - ys[i] > FAR) {
        line(near, ys[i] + NEAR, 'line');
        line(ys[i] + NEAR, y - NEAR, 'line passing');
        near = y - NEAR;
      }
    });
    line(near, ys.at(-1), 'line');
    line(from, to, 'reach');
  };
  const stops = [];
  const target = places[it.target].mark;
  const targetLane = layout.rows[it.target].lane;
  let first = null;
  for (const feeder of it.feeders) {
    const { mark, dots, folded } = places[feeder.row];
    const dot = dots.get(feeder.exit);
    dot?.element.classList.add(dye(it.lane));
    const own = layout.rows[feeder.row].lane;
    const y = dot ? Math.max(mark, dot.y) : mark;
    if (folded && places[it.target].folded && mark === target) {
      continue;
    }
    if (own === it.lane) {
      first = Math.min(first ?? Infinity, mark);
      stops.push(mark);
      continue;
    }
    const bend = it.up ? -18 : 18;
    if (y > mark + 4 && !straight.has(feeder.row)) {
      draw(`M${x(own)} ${mark}V${y}`, own);
    }
    const aside = Math.sign(it.lane - own) * 12;
    draw(`M${x(own)} ${y}C${x(own) + aside} ${y} ${x(it.lane)} ${y} ${x(it.lane)} ${y + bend}`);
    stops.push(y + bend);
    first = it.up ? Math.max(first ?? -Infinity, y + bend) : Math.min(first ?? Infinity, y + bend);
  }
  if (first === null) {
    return null;
  }
  if (it.up) {
    const from = Math.max(first, target + 20);
    run(from, target + 18, stops);
    draw(`M${x(it.lane)} ${target + 18}C${x(it.lane)} ${target + 4} ${x(targetLane) + 20} ${target} ${x(targetLane) + 9} ${target}`);
  } else if (targetLane === it.lane) {
    run(first, target, stops);
  } else {
    const bend = Math.max(first, target - 18);
    run(first, bend, stops);
    draw(`M${x(it.lane)} ${bend}C${x(it.lane)} ${target - 2} ${x(targetLane) + 14} ${target} ${x(targetLane) + 6} ${target}`);
  }
  return group;
}

function mark(step, row, index, place, cx) {
  const y = place.mark;
  const attributes = { class: `step-mark ${dye(row.lane)}`, 'data-mark': index };
  return step.dataset.kind === 'choice'
    ? shape('rect', { ...attributes, x: cx - 5.5, y: y - 5.5, width: 11, height: 11, rx: 2.5, transform: `rotate(45 ${cx} ${y})` })
    : shape('circle', { ...attributes, cx, cy: y, r: 5.5 });
}

/** The server's layout of `rows`, read once. */
export function layoutOf(rows) {
  rows.layout ??= JSON.parse(rows.dataset.layout);
  return rows.layout;
}

/** Redraws the threads of `rows`, an element with `data-layout` and one `.row` a step. */
export function drawThreads(rows) {
  const layout = layoutOf(rows);
  const svg = rows.querySelector('.threads');
  const elements = [...rows.querySelectorAll('.row')];
  const narrow = matchMedia('(max-width: 900px)').matches;
  const width = narrow
    ? Math.max(NARROWEST_LANE_NARROW, Math.min(WIDEST_LANE, ALL_LANES_NARROW / layout.lanes))
    : Math.max(NARROWEST_LANE, Math.min(WIDEST_LANE, ALL_LANES / layout.lanes));
  const x = (lane) => LEFT + lane * width;
  rows.style.setProperty('--threads', `${LEFT + (layout.lanes - 1) * width + 10}px`);
  const places = measure(rows, elements);
  const height = rows.scrollHeight;

  // Rows from which a thread goes straight down: their own lane is drawn by it.
  const straight = new Set(
    layout.threads.filter((it) => !it.up).flatMap((it) => it.feeders.filter((feeder) => layout.rows[feeder.row].lane === it.lane).map((feeder) => feeder.row)),
  );
  const drawn = document.createDocumentFragment();
  layout.threads.forEach((it, index) => {
    const group = thread(it, index, places, layout, x, straight);
    if (group) {
      drawn.append(group);
    }
  });
  layout.rows.forEach((row, index) => {
    if (!places[index].folded) {
      drawn.append(mark(elements[index], row, index, places[index], x(row.lane)));
    }
  });
  svg.setAttribute('width', x(layout.lanes));
  svg.setAttribute('height', height);
  svg.replaceChildren(drawn);
}

let drawing = 0;

/** Redraws the threads once there is time for it: a letter that was typed is seen first. */
export function drawThreadsSoon(rows) {
  drawing ||= requestIdleCallback(
    () => {
      drawing = 0;
      drawThreads(rows());
    },
    { timeout: 200 },
  );
}

/** Lights up threads and the rows they join; none to put them all out. */
export function light(rows, indexes) {
  const lit = new Set(indexes);
  rows.classList.toggle('lighting', lit.size > 0);
  rows.querySelectorAll('.thread').forEach((group) => group.classList.toggle('lit', lit.has(Number(group.dataset.thread))));
  const joined = new Set();
  lit.forEach((index) => {
    const it = layoutOf(rows).threads[index];
    joined.add(it.target);
    it.feeders.forEach((feeder) => joined.add(feeder.row));
  });
  rows.querySelectorAll('.row').forEach((row) => row.classList.toggle('joined', joined.has(Number(row.dataset.index))));
}

/** The threads that go into or out of a row. */
export function threadsOf(rows, index) {
  return layoutOf(rows)
    .threads.map((it, at) => (it.target === index || it.feeders.some((feeder) => feeder.row === index) ? at : -1))
    .filter((at) => at >= 0);
}
