// Leads are dragged from state to state, or moved with Alt and an arrow. The server says what became of it.

import { postForm } from '../web/http.js';
import '../web/ready.js';

const says = document.getElementById('board-says');
const columns = [...document.querySelectorAll('.board .column')];

let lifted = null;

function columnOf(state) {
  return columns.find((column) => column.dataset.state === state);
}

function count(column, by) {
  const many = column.querySelector('.many');
  many.textContent = Number(many.textContent) + by;
}

/** Shows a card under a state. */
function put(card, state) {
  const from = columnOf(card.dataset.state);
  const to = columnOf(state);
  if (from === to || !to) {
    return;
  }
  to.querySelector('ol').prepend(card);
  card.dataset.state = state;
  count(from, -1);
  count(to, 1);
}

async function move(card, state) {
  const from = card.dataset.state;
  if (!state || from === state) {
    return;
  }
  put(card, state);
  card.focus();
  const { text } = await postForm(`/leads/${card.dataset.lead}/state`, { from, to: state });
  const told = JSON.parse(text);
  put(card, told.state);
  says.textContent = told.words;
  says.classList.toggle('unseen', told.moved);
  says.classList.toggle('notice', !told.moved);
}

columns.forEach((column) => {
  column.addEventListener('dragover', (event) => {
    if (lifted) {
      event.preventDefault();
      column.classList.add('over');
    }
  });
  column.addEventListener('dragleave', () => column.classList.remove('over'));
  column.addEventListener('drop', (event) => {
    event.preventDefault();
    column.classList.remove('over');
    move(lifted, column.dataset.state);
  });
});

document.querySelectorAll('.lead-card').forEach((card) => {
  card.addEventListener('dragstart', (event) => {
    lifted = card;
    event.dataTransfer.effectAllowed = 'move';
    event.dataTransfer.setData('text/plain', card.dataset.lead);
  });
  card.addEventListener('dragend', () => {
    lifted = null;
    columns.forEach((column) => column.classList.remove('over'));
  });
  card.addEventListener('keydown', (event) => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (event.altKey && step) {
      event.preventDefault();
      const at = columns.findIndex((column) => column.dataset.state === card.dataset.state);
      move(card, columns[at + step]?.dataset.state);
    } else if (event.key === 'Enter' && event.target === card) {
      card.querySelector('a').click();
    }
  });
});
