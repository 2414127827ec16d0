// What a visitor can use in place of typing: buttons, lists, tiles, calendars, sliders, ratings, files. Whatever is here
// can be typed as well.

import { freeTimes } from './times.js';
import { word } from './words.js';

const FILTER_FROM = 8;
const FACES = [-6, -3, 0, 3, 6];
const KEYBOARDS = { number: 'decimal', money: 'decimal', phone: 'tel', email: 'email', url: 'url' };

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className ?? '';
  if (text !== undefined) {
    made.textContent = text;
  }
  return made;
}

function button(className, text, act) {
  const made = element('button', className, text);
  made.type = 'button';
  made.addEventListener('click', act);
  return made;
}

/** An option as a button, or as a link where it opens a page. */
export function option(of, tile, act) {
  const made = of.link ? element('a', '') : button('', undefined, act);
  if (of.link) {
    made.href = of.link;
    made.target = '_blank';
    made.rel = 'noopener';
  }
  if (tile && of.picture) {
    const picture = element('img');
    picture.src = of.picture;
    picture.alt = of.alt ?? '';
    made.append(picture);
  }
  made.append(element('span', 'option-label', of.link ? `${of.label} ↗` : of.label));
  if (of.text) {
    made.append(element('small', '', of.text));
  }
  return made;
}

function choice(awaiting, hooks) {
  const box = element('div', `offers ${awaiting.layout ?? 'buttons'}`);
  box.setAttribute('role', 'group');
  box.setAttribute('aria-label', word(awaiting.many ? 'Choose any, then send' : 'Choose one, or type'));
  const chosen = new Map();
  let group = null;
  const made = awaiting.options.map((of) => {
    if ((of.group ?? '') !== (group ?? '')) {
      group = of.group;
      box.append(element('p', 'offer-group', group));
    }
    const one = option(of, awaiting.layout === 'tiles', () => {
      if (!awaiting.many) {
        hooks.pick([of.id], of.label);
        return;
      }
      const on = !chosen.delete(of.id);
      if (on) {
        chosen.set(of.id, of.label);
      }
      one.setAttribute('aria-pressed', String(on));
      done.disabled = chosen.size === 0;
    });
    if (awaiting.many && !of.link) {
      one.setAttribute('aria-pressed', 'false');
    }
    one.dataset.words = `${of.label} ${of.text ?? ''} ${of.group ?? ''}`.toLowerCase();
    box.append(one);
    return one;
  });
  const done = button('send-chosen', word('Send'), () => {
    const order = awaiting.options.filter((of) => chosen.has(of.id));
    hooks.pick(
      order.map((of) => of.id),
      order.map((of) => of.label).join(', '),
    );
  });
  done.disabled = true;
  if (awaiting.many) {
    box.append(done);
  }
  if (made.length < FILTER_FROM) {
    return [box];
  }
  box.classList.add('long');
  const filter = element('input', 'input offer-filter');
  filter.type = 'search';
  filter.placeholder = word('Find among {n} options', { n: made.length });
  filter.setAttribute('aria-label', word('Find among {n} options', { n: made.length }));
  filter.addEventListener('input', () => {
    const wanted = filter.value.trim().toLowerCase();
    made.forEach((one) => {
      one.hidden = !one.dataset.words.includes(wanted);
    });
    box.querySelectorAll('.offer-group').forEach((heading) => {
      let next = heading.nextElementSibling;
      let any = false;
      while (next && !next.matches('.offer-group')) {
        any ||= !next.hidden && !next.matches('.send-chosen');
        next = next.nextElementSibling;
      }
      heading.hidden = !any;
    });
  });
  return [filter, box];
}

/** A face, the gladder the deeper its mouth hangs. Drawn, since not every machine has such letters. */
function face(mouth) {
  const ns = 'http://www.w3.org/2000/svg';
  const svg = document.createElementNS(ns, 'svg');
  svg.setAttribute('viewBox', '0 0 24 24');
  svg.setAttribute('aria-hidden', 'true');
  for (const d of ['M12 2a10 10 0 1 0 .01 0', 'M8.5 9.2v.6', 'M15.5 9.2v.6', `M7.5 ${15.5 - mouth / 4}Q12 ${15.5 + mouth} 16.5 ${15.5 - mouth / 4}`]) {
    const path = document.createElementNS(ns, 'path');
    path.setAttribute('d', d);
    svg.append(path);
  }
  return svg;
}

function rating(awaiting, hooks) {
  const box = element('div', 'offers rating');
  box.setAttribute('role', 'group');
  box.setAttribute('aria-label', word('Rate, or type a number'));
  const marks = awaiting.options.filter((of) => /^\d+$/.test(of.label));
  awaiting.options.forEach((of) => {
    const at = marks.indexOf(of);
    const sign = at < 0 ? of.label : awaiting.look === 'stars' ? '★' : of.label;
    const faces = at >= 0 && awaiting.look === 'faces' && marks.length === FACES.length;
    const one = button(at < 0 ? 'plain-option' : 'mark', faces ? undefined : sign, () => hooks.pick([of.id], of.label));
    if (faces) {
      one.append(face(FACES[at]));
    }
    if (at >= 0) {
      one.setAttribute('aria-label', word('{mark} of {most}', { mark: of.label, most: marks.at(-1).label }));
      one.title = word('{mark} of {most}', { mark: of.label, most: marks.at(-1).label });
    }
    box.append(one);
  });
  if (awaiting.look !== 'faces') {
    const light = (upTo) => box.querySelectorAll('.mark').forEach((mark, i) => mark.classList.toggle('lit', i <= upTo));
    box.querySelectorAll('.mark').forEach((mark, i) => {
      mark.addEventListener('mouseenter', () => light(i));
      mark.addEventListener('focus', () => light(i));
      mark.addEventListener('mouseleave', () => light(-1));
      mark.addEventListener('blur', () => light(-1));
    });
  }
  return [box];
}

/** A field with a button beside it; `read` turns its value into what would be typed. */
function field(type, label, attributes, read, hooks) {
  const box = element('form', 'widget');
  const input = element('input', 'input');
  input.type = type;
  input.required = true;
  input.setAttribute('aria-label', label);
  Object.entries(attributes).forEach(([name, value]) => {
    if (value !== undefined && value !== null) {
      input.setAttribute(name, value);
    }
  });
  const send = element('button', 'button', label);
  send.type = 'submit';
  box.append(input, send);
  box.addEventListener('submit', (event) => {
    event.preventDefault();
    const said = read(input);
    if (said) {
      hooks.say(said);
    }
  });
  return { box, input };
}

/** "10:15 am", which can mean one time only. */
const clockWords = (time) =>
  Number(time.slice(0, 2)) < 13 && time !== '' ? `${Number(time.slice(0, 2)) % 12 || 12}:${time.slice(3, 5)} ${time < '12' ? 'am' : 'pm'}` : time;

const dayWords = (date) => date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

function calendar(awaiting, hooks) {
  const time = awaiting.type === 'date_time';
  const { box } = field(
    time ? 'datetime-local' : 'date',
    word(time ? 'Send this day and time' : 'Send this day'),
    {
      min: awaiting.earliest && time ? `${awaiting.earliest}T00:00` : awaiting.earliest,
      max: awaiting.latest && time ? `${awaiting.latest}T23:59` : awaiting.latest,
    },
    (input) => {
      const at = new Date(input.value.length === 10 ? `${input.value}T12:00` : input.value);
      return Number.isNaN(at.getTime()) ? '' : dayWords(at) + (time ? ` at ${clockWords(input.value.slice(11, 16))}` : '');
    },
    hooks,
  );
  return [box];
}

function clock(awaiting, hooks) {
  return [field('time', word('Send this time'), { min: awaiting.earliest, max: awaiting.latest }, (input) => clockWords(input.value), hooks).box];
}

function slider(awaiting, hooks) {
  const { box, input } = field('range', word('Send'), { min: awaiting.min, max: awaiting.max, step: awaiting.by ?? 1 }, (range) => range.value, hooks);
  input.value = String((Number(awaiting.min) + Number(awaiting.max)) / 2);
  const shown = element('output', '', input.value);
  input.classList.remove('input');
  input.setAttribute('aria-label', word('From {min} to {max}', awaiting));
  input.addEventListener('input', () => {
    shown.textContent = input.value;
  });
  box.classList.add('slider');
  box.prepend(element('span', 'end', String(awaiting.min)));
  box.insertBefore(element('span', 'end', String(awaiting.max)), box.lastChild);
  box.insertBefore(shown, box.lastChild);
  return [box];
}

function file(awaiting, hooks) {
  const box = element('form', 'widget file');
  const input = element('input');
  input.type = 'file';
  input.id = 'widget-file';
  input.accept = awaiting.fileTypes.map((ending) => `.${ending}`).join(',');
  const label = element('label', '', word('A file of up to {n} MB: {types}', { n: awaiting.megabytes, types: awaiting.fileTypes.join(', ') }));
  label.htmlFor = input.id;
  const send = element('button', 'button', word('Send the file'));
  send.type = 'submit';
  box.append(label, input, send);
  box.addEventListener('submit', (event) => {
    event.preventDefault();
    if (input.files[0]) {
      hooks.send(input.files[0]);
    }
  });
  return [box];
}

function secret(awaiting, hooks) {
  const { box, input } = field('password', word('Send'), { autocomplete: 'off', maxlength: 1000 }, (typed) => typed.value, hooks);
  input.setAttribute('aria-label', word('What only the team may see'));
  return [box, element('p', 'widget-hint', word('It is hidden here and kept under lock.'))];
}

/** What is seen while a service is asked; its words appear where that takes longer than a moment. */
function meanwhile(words) {
  const dots = element('div', 'bubble typing-dots');
  dots.setAttribute('aria-hidden', 'true');
  dots.append(...[1, 2, 3].map(() => element('i')));
  const said = element('p', 'meanwhile', words);
  said.setAttribute('role', 'status');
  return [dots, said];
}

/**
 * Shows what can be used now.
 * @param {HTMLElement} box emptied first
 * @param {object|undefined} awaiting as the server tells it
 * @param {{pick: Function, say: Function, send: Function}} hooks
 */
export function showWidgets(box, awaiting, hooks) {
  const parts = [];
  if (awaiting?.kind === 'service') {
    box.replaceChildren(...meanwhile(awaiting.hint));
    return;
  }
  if (awaiting?.hint) {
    parts.push(element('p', 'widget-hint', awaiting.hint));
  }
  const own = { date: calendar, date_time: calendar, time: clock, slider, file, secret }[awaiting?.type];
  const asks = awaiting && (awaiting.kind === 'question' || awaiting.kind === 'interview');
  if (asks && own) {
    parts.push(...own(awaiting, hooks));
  }
  if (awaiting?.options?.length > 0) {
    parts.push(...(awaiting.type === 'rating' ? rating(awaiting, hooks) : choice(awaiting, hooks)));
  }
  if (awaiting?.layout === 'times' && hooks.times) {
    parts.push(freeTimes(hooks.times, hooks.say));
  }
  box.replaceChildren(...parts);
}

/** Fits the text box to what is awaited: its keyboard, its example, and whether it is there. */
export function fitTextBox(form, text, awaiting, ended) {
  const usable = awaiting?.typing !== false || !(awaiting?.options?.length > 0);
  form.hidden = ended || !usable || awaiting?.type === 'secret';
  text.inputMode = KEYBOARDS[awaiting?.type] ?? 'text';
  text.placeholder = awaiting?.example ? word('Type your message, like {example}', awaiting) : word('Type your message');
}
