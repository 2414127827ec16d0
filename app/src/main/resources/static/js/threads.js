// Draws the threads of a script beside its rows. Lanes are computed by the server; only heights are measured here.

const LANE = 22;
const LEFT = 14;
const DYES = 7;
const NS = 'http://www.w3.org/2000/svg';

const x = (lane) => LEFT + lane * LANE;
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
  rows.style.setProperty('--lanes', layout.lanes);
  const middle = (element) => {
    const box = element.getBoundingClientRect();
    return box.top - top + Math.min(box.height, 22) / 2;
  };
  const markOf = (row) => middle(elements[row].querySelector('.kind-button'));
  svg.setAttribute('width', LEFT + layout.lanes * LANE);
  svg.setAttribute('height', rows.scrollHeight);
  svg.replaceChildren();

  for (const thread of layout.threads) {
    const target = markOf(thread.target);
    const targetLane = layout.rows[thread.target].lane;
    const style = `${dye(thread.lane)}${thread.up ? ' up' : ''}`;
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
        const from = shown && y > mark + 4 ? `M${x(own)} ${mark}V${y}` : `M${x(own)} ${y}`;
        svg.append(shape('path', {
          class: style,
          d: `${from}C${x(own) + 12} ${y} ${x(thread.lane)} ${y} ${x(thread.lane)} ${y + bend}`,
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
