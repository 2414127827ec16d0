// The map of a flow: looking at it and changing it by hand. What a change does is the server's to say.
import '../web/ready.js';
import { Edits } from './edits.js';
import { savesAs } from './map-files.js';
import { asFile, drawMap, drawSmall, sizeTitles } from './map-drawing.js';
import { kindsIn, pick } from './picker.js';
import { shape } from './threads.js';
import { ViewBox } from './view-box.js';

const place = document.getElementById('map');
const svg = place.querySelector('.map');
const small = place.querySelector('.map-small');
const card = place.querySelector('.map-card');
const saved = document.getElementById('saved');
const kinds = kindsIn(place.dataset.kinds);
const edits = new Edits(place.dataset.base, (text, bad) => {
  saved.textContent = text;
  saved.classList.toggle('bad', bad);
});
const view = new ViewBox(svg, showSeen);
let drawing = null;
let current = null;
let titledAt = 0;

const nodeOf = (step) => svg.querySelector(`.node[data-step="${CSS.escape(step)}"]`);
const boxOf = (step) => drawing.layout.nodes.find((node) => node.step === step)?.box;

function showSeen() {
  const seen = small.querySelector('.seen');
  if (seen) {
    Object.entries(view.seen).forEach(([name, value]) => seen.setAttribute(name, value));
  }
  if (view.zoom !== titledAt) {
    titledAt = view.zoom;
    sizeTitles(svg, view.zoom);
  }
}

async function load() {
  drawing = await (await fetch(`${place.dataset.base}/map/drawing`)).json();
  drawMap(svg, drawing);
  titledAt = 0;
  drawSmall(small, drawing.layout);
  view.bounds = drawing.layout.bounds;
  showSeen();
  document.getElementById('undo').disabled = !drawing.canUndo;
  document.getElementById('redo').disabled = !drawing.canRedo;
  document.getElementById('unpin').hidden = !drawing.layout.nodes.some((node) => node.pinned);
  place.querySelector('.map-empty').hidden = drawing.layout.nodes.length > 0;
  select(current && drawing.shapes[current] ? current : null, false);
}

async function change(edit) {
  const reply = await edits.send(edit);
  saved.textContent = reply.refused || `${reply.words[0].toUpperCase()}${reply.words.slice(1)}`;
  saved.classList.toggle('bad', Boolean(reply.refused));
  if (reply.focus && edit.edit === 'add') {
    current = reply.focus;
  }
  await load();
  return reply;
}

// Choosing a step

function button(label, act, danger = false) {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = danger ? 'mini danger' : 'mini';
  made.textContent = label;
  made.addEventListener('click', () => act(made));
  return made;
}

function wayOf(exit) {
  const [sort, to] = exit.target.split(':');
  if (exit.target === '') {
    return 'nowhere yet';
  }
  return sort === 'step' ? (drawing.shapes[to]?.name ?? 'a step that is gone') : { flow: `the flow ${to}`, back: 'back', end: 'the end' }[sort];
}

/** Chooses where an exit leads. */
async function lead(at, step, exit) {
  const items = [
    ...Object.values(drawing.shapes).map((it) => ({ value: `step:${it.step}`, label: it.name, note: it.label })),
    { value: 'back', label: 'Back to where it came from', note: 'return' },
    { value: 'end', label: 'The end', note: 'closes the conversation' },
    { value: '', label: 'Nowhere', note: 'unfinished' },
  ];
  const target = await pick(at, 'Lead to', items);
  if (target) {
    await change({ edit: 'lead', step, exit, target: target.value || null });
  }
}

async function addStep(at, after, exit) {
  const kind = await pick(at, 'Kind of step', kinds);
  if (kind) {
    await change({ edit: 'add', after, exit, kind: kind.value });
  }
}

function select(step, focus = true) {
  current = step;
  svg.querySelectorAll('.found').forEach((node) => node.classList.remove('found'));
  svg.querySelectorAll('.link').forEach((link) => link.classList.toggle('lit', step !== null && (link.dataset.from === step || link.dataset.to === step)));
  card.hidden = step === null;
  document.getElementById('to-script').hash = step ?? '';
  if (step === null) {
    return;
  }
  const about = drawing.shapes[step];
  const node = nodeOf(step);
  node.classList.add('found');
  const title = document.createElement('h2');
  title.textContent = about.name;
  const kind = document.createElement('p');
  kind.className = 'hint';
  kind.textContent = about.label;
  const list = document.createElement('ul');
  list.append(
    ...about.exits.map((exit) => {
      const line = document.createElement('li');
      const name = document.createElement('span');
      name.textContent = exit.label;
      line.append(
        name,
        button(`→ ${wayOf(exit)}`, (at) => lead(at, step, exit.id)),
      );
      return line;
    }),
  );
  const acts = document.createElement('div');
  acts.className = 'acts';
  const open = document.createElement('a');
  open.className = 'mini';
  open.href = `${place.dataset.base}#${step}`;
  open.textContent = 'Open its row';
  acts.append(
    open,
    button('Step after', (at) => addStep(at, step, null)),
    button(
      'Delete',
      () => {
        current = null;
        change({ edit: 'delete', step });
      },
      true,
    ),
  );
  card.replaceChildren(title, kind, list, acts);
  if (focus) {
    node.focus({ preventScroll: true });
  }
  sessionStorage.setItem(`map ${place.dataset.base}`, JSON.stringify({ x: view.x, y: view.y, zoom: view.zoom, step }));
}

function go(step) {
  const box = boxOf(step);
  if (box) {
    view.center(box.x + box.width / 2, box.y + box.height / 2);
    select(step);
  }
}

// By hand

let drag = null;

svg.addEventListener(
  'pointerdown',
  (event) => {
    const handle = event.target.closest('.handle');
    const node = event.target.closest('.node');
    if (handle || node) {
      event.preventDefault();
      const step = node.dataset.step;
      drag = { step, link: Boolean(handle), node, from: view.at(event.clientX, event.clientY), moved: false };
      if (handle) {
        drag.line = shape('path', { class: 'dragged' });
        svg.append(drag.line);
      }
    }
  },
  true,
);

// The hand may leave the map while it drags.
addEventListener('pointermove', (event) => {
  if (!drag) {
    return;
  }
  const now = view.at(event.clientX, event.clientY);
  drag.dx = now.x - drag.from.x;
  drag.dy = now.y - drag.from.y;
  drag.moved ||= Math.hypot(drag.dx, drag.dy) * view.zoom > 5;
  if (drag.link) {
    drag.line.setAttribute('d', `M${drag.from.x} ${drag.from.y}L${now.x} ${now.y}`);
    svg.querySelectorAll('.under').forEach((node) => node.classList.remove('under'));
    document
      .elementsFromPoint(event.clientX, event.clientY)
      .find((element) => element.closest('.node'))
      ?.closest('.node')
      .classList.add('under');
  } else if (drag.moved) {
    drag.node.setAttribute('transform', `translate(${drag.dx} ${drag.dy})`);
  }
});

async function dropped(event) {
  if (!drag) {
    return;
  }
  const { step, link, line, moved, dx, dy } = drag;
  drag = null;
  line?.remove();
  const under = svg.querySelector('.under');
  under?.classList.remove('under');
  if (link && under) {
    await linkTo(step, under.dataset.step, event);
  } else if (!link && moved) {
    const box = boxOf(step);
    await change({ edit: 'pin', step, x: Math.round(box.x + dx), y: Math.round(box.y + dy) });
  } else if (!link) {
    select(step);
  }
}

/** Leads an exit to a step: the only one, or one that is chosen from those there are. */
async function linkTo(step, to, event) {
  const { exits } = drawing.shapes[step];
  let exit = exits.length === 1 ? exits[0].id : null;
  if (!exit) {
    const at = document.createElement('span');
    at.style.cssText = `position:fixed;left:${event.clientX}px;top:${event.clientY}px`;
    document.body.append(at);
    exit = (
      await pick(
        at,
        'Which way out?',
        exits.map((it) => ({ value: it.id, label: it.label, note: wayOf(it) })),
      )
    )?.value;
    at.remove();
  }
  if (exit) {
    await change({ edit: 'lead', step, exit, target: `step:${to}` });
  }
}

addEventListener('pointerup', dropped);
addEventListener('pointercancel', () => {
  drag?.line?.remove();
  drag?.node.removeAttribute('transform');
  drag = null;
});
svg.addEventListener('dblclick', (event) => {
  const node = event.target.closest('.node');
  if (node) {
    location.assign(`${place.dataset.base}#${node.dataset.step}`);
  }
});

svg.addEventListener('pointerover', (event) => {
  const group = event.target.closest('.link');
  if (group && !drag && !group.querySelector('.link-plus')) {
    svg.querySelectorAll('.link-plus').forEach((plus) => plus.remove());
    const at = view.at(event.clientX, event.clientY);
    const plus = shape('g', { class: 'link-plus', transform: `translate(${at.x} ${at.y})` });
    const sign = shape('text', { y: 5 });
    sign.textContent = '+';
    plus.append(shape('circle', { r: 11 }), sign);
    group.append(plus);
  } else if (!group) {
    svg.querySelectorAll('.link-plus').forEach((plus) => plus.remove());
  }
});

svg.addEventListener('click', (event) => {
  const plus = event.target.closest('.link-plus');
  if (plus) {
    const line = drawing.layout.lines[Number(plus.closest('.link').dataset.line)];
    addStep(plus, line.from, line.exits[0]);
  } else if (!event.target.closest('.node') && !event.target.closest('.link')) {
    select(null);
  }
});

// Keys

/** The step nearest in a direction: along a line if one goes there, else any. */
function next(dx, dy) {
  const from = boxOf(current);
  let best = null;
  for (const node of drawing.layout.nodes) {
    const x = node.box.x - from.x;
    const y = node.box.y - from.y;
    const ahead = x * dx + y * dy;
    if (node.step !== current && ahead > 5) {
      const linked = drawing.layout.lines.some((line) => [line.from, line.to].includes(current) && [line.from, line.to].includes(node.step));
      const cost = ahead + 3 * Math.abs(x * dy + y * dx) - (linked ? 400 : 0);
      best = best && best.cost <= cost ? best : { step: node.step, cost };
    }
  }
  return best?.step;
}

place.addEventListener('keydown', (event) => {
  if (event.target.closest('.map-card, .map-tools, input')) {
    return;
  }
  const way = { ArrowDown: [0, 1], ArrowUp: [0, -1], ArrowRight: [1, 0], ArrowLeft: [-1, 0] }[event.key];
  if (way && event.shiftKey) {
    view.pan(way[0] * 80, way[1] * 80);
  } else if (way) {
    const to = current ? next(...way) : drawing.layout.nodes[0]?.step;
    if (to) {
      go(to);
    }
  } else if (event.key === '+' || event.key === '=') {
    view.by(1.25);
  } else if (event.key === '-') {
    view.by(0.8);
  } else if (event.key === '0') {
    view.fit();
  } else if (event.key === 'Enter' && current) {
    location.assign(`${place.dataset.base}#${current}`);
  } else if (event.key === 'Tab' && current && !event.shiftKey) {
    card.querySelector('button, a')?.focus();
  } else if (event.key === 'Delete' && current) {
    const step = current;
    current = null;
    change({ edit: 'delete', step });
  } else if (event.key === 'Escape') {
    select(null);
  } else {
    return;
  }
  event.preventDefault();
});

async function search() {
  const found = await pick(
    document.getElementById('search'),
    'Find a step',
    Object.values(drawing.shapes).map((it) => ({ value: it.step, label: it.name, note: it.label })),
  );
  if (found) {
    go(found.value);
  }
}

async function step(which) {
  await edits.step(which);
  await load();
}

document.addEventListener('keydown', (event) => {
  const control = event.ctrlKey || event.metaKey;
  if (control && event.key.toLowerCase() === 'z' && !event.target.closest('input, textarea')) {
    event.preventDefault();
    step(event.shiftKey ? 'redo' : 'undo');
  } else if (control && event.key.toLowerCase() === 'k') {
    event.preventDefault();
    search();
  }
});

document.getElementById('undo').addEventListener('click', () => step('undo'));
document.getElementById('redo').addEventListener('click', () => step('redo'));
document.getElementById('search').addEventListener('click', search);
document.getElementById('unpin').addEventListener('click', () => change({ edit: 'unpin' }));
view.steeredBy(small, place);

savesAs(
  place.dataset.name,
  () => drawing.layout.bounds,
  () => {
    sizeTitles(svg, 1);
    const text = asFile(svg, drawing.layout.bounds, getComputedStyle(document.body).backgroundColor);
    sizeTitles(svg, view.zoom);
    return text;
  },
);

await load();
const before = JSON.parse(sessionStorage.getItem(`map ${place.dataset.base}`) ?? 'null');
const wanted = decodeURIComponent(location.hash.slice(1));
view.fit();
if (drawing.shapes[wanted]) {
  requestAnimationFrame(() => go(wanted));
} else if (before && drawing.shapes[before.step]) {
  Object.assign(view, { x: before.x, y: before.y, zoom: before.zoom });
  view.apply();
  select(before.step);
}
