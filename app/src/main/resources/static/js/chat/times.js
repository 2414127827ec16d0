// All free times as a calendar: a month of days, and the times of the day that is chosen. What is pressed is said in words, as
// it could be typed.

import { language, word } from './words.js';

/** A week that begins on a Monday. */
const DAYS = Array.from({ length: 7 }, (none, i) => `2026-06-0${i + 1}`);

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className ?? '';
  if (text !== undefined) {
    made.textContent = text;
  }
  return made;
}

/** Times by their days on the clock of a zone: day as 2026-12-03 to times as 14:00. */
function byDay(starts, zone) {
  const clock = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  const days = new Map();
  for (const start of starts) {
    const parts = Object.fromEntries(clock.formatToParts(new Date(start)).map((part) => [part.type, part.value]));
    const day = `${parts.year}-${parts.month}-${parts.day}`;
    days.set(day, [...(days.get(day) ?? []), `${parts.hour}:${parts.minute}`]);
  }
  return days;
}

const named = (day, how, tongue = language()) => new Intl.DateTimeFormat(tongue, { timeZone: 'UTC', ...how }).format(new Date(`${day}T00:00Z`));

/** The days of a month, as many empty places before the first as its week has days before. */
function daysOf(month) {
  const first = new Date(`${month}-01T00:00Z`);
  const before = Array((first.getUTCDay() + 6) % 7).fill(null);
  const many = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  return [...before, ...Array.from({ length: many }, (none, i) => `${month}-${String(i + 1).padStart(2, '0')}`)];
}

function shift(month, by) {
  const first = new Date(`${month}-01T00:00Z`);
  first.setUTCMonth(first.getUTCMonth() + by);
  return first.toISOString().slice(0, 7);
}

/**
 * The calendar, empty until it is opened.
 *
 * @param load gives zone, place and starts
 * @param say  says a time in words
 */
export function freeTimes(load, say) {
  const box = element('details', 'free-calendar');
  box.append(element('summary', '', word('All free times')));
  const inside = element('div', 'free-inside');
  box.append(inside);
  let days = null;

  function showDay(day, times) {
    inside.querySelectorAll('[aria-pressed]').forEach((one) => one.setAttribute('aria-pressed', String(one.dataset.day === day)));
    times.replaceChildren(element('p', 'free-day', named(day, { weekday: 'long', day: 'numeric', month: 'long' })));
    for (const time of days.get(day)) {
      const button = element('button', 'free-time', time);
      button.type = 'button';
      const words = `${named(day, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }, 'en-GB').replace(',', '')} at ${time}`;
      button.setAttribute('aria-label', words);
      button.addEventListener('click', () => say(words));
      times.append(button);
    }
  }

  function showMonth(month, zone) {
    const all = [...days.keys()];
    const head = element('div', 'free-head');
    const step = (by, text, can) => {
      const button = element('button', 'button quiet', text);
      button.type = 'button';
      button.disabled = !can;
      button.addEventListener('click', () => showMonth(shift(month, by), zone));
      return button;
    };
    head.append(
      step(-1, word('Before'), all[0].slice(0, 7) < month),
      element('strong', '', named(`${month}-01`, { month: 'long', year: 'numeric' })),
      step(1, word('After'), all.at(-1).slice(0, 7) > month),
    );
    const grid = element('div', 'free-grid');
    grid.append(...DAYS.map((day) => element('span', 'free-weekday', named(day, { weekday: 'short' }))));
    const times = element('div', 'free-times');
    times.setAttribute('aria-live', 'polite');
    for (const day of daysOf(month)) {
      if (!day || !days.has(day)) {
        grid.append(element('span', 'free-none', day ? String(Number(day.slice(8))) : ''));
        continue;
      }
      const button = element('button', 'free-date', String(Number(day.slice(8))));
      button.type = 'button';
      button.dataset.day = day;
      button.setAttribute('aria-pressed', 'false');
      const many = days.get(day).length;
      button.setAttribute('aria-label', word('{day}, {n} free', { day: named(day, { weekday: 'long', day: 'numeric', month: 'long' }), n: many }));
      button.addEventListener('click', () => showDay(day, times));
      grid.append(button);
    }
    inside.replaceChildren(head, grid, times, element('p', 'free-zone', word('Times in {zone}', { zone })));
    const first = all.find((day) => day.startsWith(month));
    if (first) {
      showDay(first, times);
    }
  }

  box.addEventListener('toggle', async () => {
    if (!box.open || days) {
      return;
    }
    inside.replaceChildren(element('p', 'free-zone', word('One moment …')));
    try {
      const free = await load();
      days = byDay(free.starts, free.zone);
      if (days.size === 0) {
        inside.replaceChildren(element('p', 'free-zone', word('Nothing is free any more.')));
        days = null;
      } else {
        showMonth([...days.keys()][0].slice(0, 7), free.zone);
      }
    } catch {
      days = null;
      inside.replaceChildren(element('p', 'free-zone', word('The times could not be fetched. Close this and open it again.')));
    }
  });
  return box;
}
