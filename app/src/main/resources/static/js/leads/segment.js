// The conditions of a segment: only comparisons that fit, what can be chosen, and how many it has while it is written.

import { postForm } from '../web/http.js';
import { inTurn } from '../web/in-turn.js';
import '../web/ready.js';

const form = document.getElementById('segment');
const list = form.querySelector('.terms');

function fit(term) {
  const [field, how] = term.querySelectorAll('select');
  const value = term.querySelector('input');
  const chosen = field.selectedOptions[0];
  const ways = chosen.dataset.ways.split(' ');
  for (const option of how.options) {
    option.hidden = !ways.includes(option.value);
    option.disabled = option.hidden;
  }
  if (how.selectedOptions[0]?.disabled ?? true) {
    how.value = ways[0];
  }
  value.hidden = how.selectedOptions[0].dataset.compares === 'false';
  const options = document.getElementById(`of-${field.value}`);
  if (options && !value.hidden) {
    choose(term, value, options);
  } else {
    term.querySelector('.choice')?.remove();
  }
}

/** A value that is one of several is chosen and not typed. */
function choose(term, value, options) {
  term.querySelector('.choice')?.remove();
  const box = document.createElement('span');
  box.className = 'select choice';
  const select = document.createElement('select');
  select.setAttribute('aria-label', 'Value');
  for (const option of options.options) {
    select.add(new Option(option.textContent, option.value, false, option.value === value.value));
  }
  select.addEventListener('change', () => {
    value.value = select.value;
  });
  value.value = select.value;
  value.hidden = true;
  box.append(select);
  value.after(box);
}

function number() {
  [...list.children].forEach((term, i) => {
    term.querySelectorAll('[name^="term."]').forEach((control) => {
      control.name = control.name.replace(/^term\.\d+/, `term.${i}`);
    });
  });
}

const count = inTurn(async () => {
  const { status, text } = await postForm('/leads/segments/count', new FormData(form));
  if (status === 200) {
    const counted = JSON.parse(text);
    document.getElementById('counted').textContent = counted.many === 1 ? 'one lead' : `${counted.many} leads`;
    document.getElementById('counted-words').textContent = counted.words;
  }
});

list.addEventListener('change', (event) => {
  const term = event.target.closest('.term');
  if (event.target.matches('select[name]')) {
    fit(term);
  }
});

form.addEventListener('change', () => count());
form.addEventListener('input', (event) => {
  if (event.target.matches('.term input')) {
    count();
  }
});

list.addEventListener('click', (event) => {
  if (event.target.matches('.take-away')) {
    event.target.closest('.term').remove();
    number();
    count();
  }
});

const blank = list.firstElementChild.cloneNode(true);

document.getElementById('add-term').addEventListener('click', () => {
  const term = blank.cloneNode(true);
  term.querySelector('.choice')?.remove();
  term.querySelector('input').value = '';
  list.append(term);
  number();
  fit(term);
  term.querySelector('select').focus();
  count();
});

[...list.children].forEach(fit);
count();
