// Draws the threads of a script beside its rows. Lanes are computed by the server; only heights are measured here.

const WIDEST_LANE = 22;
const NARROWEST_LANE = 11;
const ALL_LANES = 140;
const LEFT = 14;
const DYES = 7;
const NS = 'http://www.w3.org/2000/svg';

const dye = (lane) => `dye-${lane % DYES}`;

function shape(name, attributes) {
  const element = document.createElementNS(NS, name);
  for (const [key, value] of Object.entries(attributes)) {
    element.setAttribute(key, value);
  }
  return element;
}

/** Redraws the threads of `rows`, an element with `data-layout` and one `.row` a step. */
export function drawThreads(rows) {
  const layout = JSON.parse(rows.dataset.layout);
  const svg = rows.querySelector('.threads');
  const top = rows.getBoundingClientRect().top;
  const elements = [...rows.querySelectorAll('.row')];
  const width = Math.max(NARROWEST_LANE, Math.min(WIDEST_LANE, ALL_LANES / layout.lanes));
  const x = (lane) => LEFT + lane * width;
  rows.style.setProperty('--threads', `${LEFT + (layout.lanes - 1) * width + 10}px`);
  const middle = (element) => {
    const box = element.getBoundingClientRect();
    return box.top - top + Math.min(box.height, 22) / 2;
  };
  const markOf = (row) => middle(elements[row].querySelector('.kind-button'));
  svg.setAttribute('width', x(layout.lanes));
  svg.setAttribute('height', rows.scrollHeight);
  svg.replaceChildren();

  // Rows from which a thread goes straight down: their own lane is drawn by it.
  const straight = new Set(layout.threads.filter((thread) => !thread.up).flatMap((thread) =>
    thread.feeders.filter((feeder) => layout.rows[feeder.row].lane === thread.lane).map((feeder) => feeder.row)));

  for (const thread of layout.threads) {
    const target = markOf(thread.target);
    const targetLane = layout.rows[thread.target].lane;
    const spare = thread.feeders.every((feeder) => feeder.exit === 'gave_up');
    const style = `${dye(thread.lane)}${thread.up ? ' up' : ''}${spare ? ' spare' : ''}`;
    let first = null;
    for (const feeder of thread.feeders) {
      const row = elements[feeder.row];
      const dot = [...row.querySelectorAll('[data-dot]')].find((d) => d.dataset.dot === feeder.exit);
      const shown = dot && dot.offsetParent !== null;
      if (dot) {
        dot.classList.add(dye(thread.lane));
      }
      const own = layout.rows[feeder.row].lane;
      const mark = markOf(feeder.row);
      const y = shown ? Math.max(mark, middle(dot)) : mark;
      if (own !== thread.lane) {
        const bend = thread.up ? -18 : 18;
        if (y > mark + 4 && !straight.has(feeder.row)) {
          svg.append(shape('path', { class: dye(own), d: `M${x(own)} ${mark}V${y}` }));
        }
        svg.append(shape('path', {
          class: style,
          d: `M${x(own)} ${y}C${x(own) + 12} ${y} ${x(thread.lane)} ${y} ${x(thread.lane)} ${y + bend}`,
        }));
        first = Math.min(first ?? Infinity, thread.up ? Infinity : y + bend);
        if (thread.up) {
          first = Math.max(Number.isFinite(first) ? first : -Infinity, y + bend);
        }
      } else {
        first = Math.min(first ?? Infinity, mark);
      }
    }
    if (thread.up) {
      const lowest = Math.max(...thread.feeders.map((feeder) => markOf(feeder.row)));
      const from = Math.max(first ?? lowest, target + 20);
      svg.append(shape('path', {
        class: style,
        d: `M${x(thread.lane)} ${from}V${target + 18}C${x(thread.lane)} ${target + 4} ${x(targetLane) + 20} ${target} ${x(targetLane) + 9} ${target}`,
      }));
    } else {
      svg.append(shape('path', { class: style, d: `M${x(thread.lane)} ${first}V${target}` }));
    }
  }

  layout.rows.forEach((row, index) => {
    const y = markOf(index);
    const cx = x(row.lane);
    const branches = elements[index].dataset.kind === 'choice';
    svg.append(branches
      ? shape('rect', {
          class: `step-mark ${dye(row.lane)}`, x: cx - 5.5, y: y - 5.5, width: 11, height: 11, rx: 2.5,
          transform: `rotate(45 ${cx} ${y})`,
        })
      : shape('circle', { class: `step-mark ${dye(row.lane)}`, cx, cy: y, r: 5.5 }));
  });
}
