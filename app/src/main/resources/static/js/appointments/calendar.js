// Bookings are dragged to a free time. Where they can go is asked of the server when one is lifted.

import '../web/ready.js';

const SVG = 'http://www.w3.org/2000/svg';
const LIFT = 5;

const calendar = document.getElementById('calendar');
const dialog = document.getElementById('moving');
const layer = document.getElementById('places');

/** What is being dragged: its link, where it was taken hold of, and where it may go once that is known. */
let lifted = null;

/** Whether the press that ends now has dragged something, which is then not followed as a link. */
let dragged = false;

function point(event) {
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(calendar.getScreenCTM().inverse());
}

async function placesOf(id) {
  const query = new URLSearchParams({ view: calendar.dataset.view, of: calendar.dataset.of, with: calendar.dataset.with ?? '' });
  const response = await fetch(`/appointments/bookings/${id}/places?${query}`);
  return response.ok ? response.json() : [];
}

function drawn(place) {
  const rect = document.createElementNS(SVG, 'rect');
  rect.classList.add('place');
  for (const name of ['x', 'y', 'width', 'height']) {
    rect.setAttribute(name, place[name]);
  }
  rect.setAttribute('rx', 4);
  return rect;
}

async function lift(link) {
  calendar.classList.add('lifting');
  link.classList.add('lifted');
  const mine = lifted;
  const places = await placesOf(link.dataset.moves);
  if (lifted !== mine) {
    return;
  }
  mine.places = places.map((place) => ({ ...place, rect: drawn(place) }));
  layer.replaceChildren(...mine.places.map((place) => place.rect));
  follow(mine.at);
}

/** The place under the pointer: of its column, the one whose middle is nearest to the middle of what is dragged. */
function nearest(at) {
  const top = at.y - lifted.holdY;
  const inColumn = (lifted.places ?? []).filter((place) => at.x >= place.x && at.x <= place.x + place.width);
  const away = (place) => Math.abs(place.y - top);
  const best = inColumn.reduce((near, place) => (near && away(near) <= away(place) ? near : place), null);
  return best && away(best) <= best.height + 12 ? best : null;
}

function follow(at) {
  lifted.at = at;
  lifted.link.setAttribute('transform', `translate(${at.x - lifted.from.x} ${at.y - lifted.from.y})`);
  const near = nearest(at);
  for (const place of lifted.places ?? []) {
    place.rect.classList.toggle('near', place === near);
  }
  if (near) {
    layer.append(near.rect);
  }
}

function letGo() {
  calendar.classList.remove('lifting');
  lifted.link.classList.remove('lifted');
  lifted.link.removeAttribute('transform');
  layer.replaceChildren();
  lifted = null;
}

function ask(link, place) {
  const form = dialog.querySelector('form');
  form.action = `/appointments/bookings/${link.dataset.moves}/move`;
  form.elements.start.value = place.start;
  form.elements.with.value = place.with;
  dialog.querySelector('[data-who]').textContent = link.dataset.who;
  dialog.querySelector('[data-from]').textContent = link.dataset.when;
  dialog.querySelector('[data-to]').textContent = place.label;
  dialog.showModal();
}

function begin(event) {
  dragged = false;
  const link = event.target.closest('a[data-moves]');
  if (!link || event.button !== 0 || event.pointerType === 'touch') {
    return;
  }
  const from = point(event);
  lifted = { link, from, at: from, holdY: from.y - Number(link.querySelector('svg').getAttribute('y')), far: false };
}

function move(event) {
  if (!lifted) {
    return;
  }
  const at = point(event);
  if (!lifted.far && Math.hypot(at.x - lifted.from.x, at.y - lifted.from.y) < LIFT) {
    return;
  }
  if (!lifted.far) {
    lifted.far = true;
    lift(lifted.link);
  }
  follow(at);
}

function drop() {
  if (!lifted) {
    return;
  }
  const { link, far, at } = lifted;
  const place = far ? nearest(at) : null;
  letGo();
  dragged = far;
  if (place) {
    ask(link, place);
  }
}

if (calendar) {
  calendar.addEventListener('dragstart', (event) => event.preventDefault());
  calendar.addEventListener('pointerdown', begin);
  calendar.addEventListener('click', (event) => dragged && event.preventDefault());
  document.addEventListener('pointermove', move);
  document.addEventListener('pointerup', drop);
  document.addEventListener('keydown', (event) => {
    if (event.key === 'Escape' && lifted) {
      letGo();
    }
  });
  dialog.querySelector('[data-leave]').addEventListener('click', () => dialog.close());
}
