// The days ahead of somebody, with the hours they are there; what is clicked is written into the form's lines.

import './calendars.js';
import '../web/ready.js';

const MONTHS = 3;
const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

const section = document.getElementById('days');
const lines = document.getElementById('exceptions');
const form = section.querySelector('form');
const hours = form.querySelector('input');
const status = section.querySelector('[role=status]');

const today = new Date(`${section.dataset.today}T00:00Z`);
let first = new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth(), 1));
let chosen = '';

const iso = (date) => date.toISOString().slice(0, 10);
const words = (day, how) => new Date(`${day}T00:00Z`).toLocaleDateString('en-GB', { timeZone: 'UTC', ...how });

/** Hours by day, as the lines say; empty for nobody there. */
function exceptions() {
  const days = new Map();
  for (const line of lines.value.split('\n')) {
    const [, day, rest] = line.trim().match(/^(\d{4}-\d\d-\d\d)\s*(.*)$/) ?? [];
    if (day) {
      days.set(day, /^(closed|off|away)$/i.test(rest) ? '' : rest);
    }
  }
  return days;
}

function usual(day) {
  const weekday = (new Date(`${day}T00:00Z`).getUTCDay() + 6) % 7;
  return document.getElementById(WEEKDAYS[weekday]).value.trim();
}

function write(days) {
  const sorted = [...days].sort(([one], [other]) => (one < other ? -1 : 1));
  lines.value = sorted.map(([day, text]) => `${day} ${text || 'closed'}`).join('\n');
  draw();
}

function dayCell(day, days) {
  const cell = document.createElement('td');
  const button = document.createElement('button');
  const there = days.has(day) ? days.get(day) : usual(day);
  button.type = 'button';
  button.dataset.day = day;
  button.textContent = Number(day.slice(8));
  button.classList.toggle('off', there === '');
  button.classList.toggle('other', days.has(day));
  button.setAttribute('aria-pressed', String(day === chosen));
  const told = `${words(day, { weekday: 'long', day: 'numeric', month: 'long' })}, ${there || 'nobody there'}`;
  button.setAttribute('aria-label', told);
  button.title = told;
  button.disabled = day < section.dataset.today;
  cell.append(button);
  return cell;
}

function month(begins, days) {
  const table = document.createElement('table');
  const name = words(iso(begins), { month: 'long', year: 'numeric' });
  const head = WEEKDAYS.map((day) => `<th scope="col"><abbr title="${day}">${day[0].toUpperCase()}${day[1]}</abbr></th>`).join('');
  table.innerHTML = `<caption>${name}</caption><thead><tr>${head}</tr></thead><tbody></tbody>`;
  let row = table.tBodies[0].insertRow();
  for (let blank = (begins.getUTCDay() + 6) % 7; blank > 0; blank--) {
    row.insertCell();
  }
  for (const date = new Date(begins); date.getUTCMonth() === begins.getUTCMonth(); date.setUTCDate(date.getUTCDate() + 1)) {
    if (row.cells.length === 7) {
      row = table.tBodies[0].insertRow();
    }
    row.append(dayCell(iso(date), days));
  }
  const frame = document.createElement('div');
  frame.className = 'month';
  frame.append(table);
  return frame;
}

function draw() {
  const days = exceptions();
  const months = [];
  for (let i = 0; i < MONTHS; i++) {
    months.push(month(new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + i, 1)), days));
  }
  section.querySelector('.months').replaceChildren(...months);
}

function choose(day) {
  const days = exceptions();
  chosen = day;
  form.hidden = false;
  form.querySelector('label').textContent = `Hours on ${words(day, { weekday: 'long', day: 'numeric', month: 'long' })}`;
  hours.value = days.has(day) ? days.get(day) : usual(day);
  draw();
  hours.focus();
}

function take(text) {
  const days = exceptions();
  if (text === null) {
    days.delete(chosen);
  } else {
    days.set(chosen, text.trim());
  }
  const told = text === null ? 'as every week' : text.trim() || 'nobody there';
  status.textContent = `${words(chosen, { day: 'numeric', month: 'long' })}: ${told}`;
  write(days);
  section.querySelector(`[data-day="${chosen}"]`)?.focus();
}

section.addEventListener('click', (event) => {
  const { day, turn, off, usual: asUsual } = event.target.dataset;
  if (day) {
    choose(day);
  } else if (turn) {
    first = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + Number(turn), 1));
    draw();
  } else if (off !== undefined) {
    take('');
  } else if (asUsual !== undefined) {
    take(null);
  }
});
form.addEventListener('submit', (event) => {
  event.preventDefault();
  take(hours.value);
});
lines.addEventListener('input', draw);
section.hidden = false;
draw();
