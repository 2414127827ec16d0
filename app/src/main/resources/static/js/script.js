// The script of a flow: editing in place by keyboard and mouse. Rules live on the server; this shows and sends.
import { Edits } from './edits.js';
import { expressionFields } from './expressions.js';
import { getText, postFile } from './http.js';
import { placeholders } from './placeholders.js';
import { pick } from './picker.js';
import { rehearse } from './rehearse.js';
import { drawThreads } from './threads.js';

const script = document.getElementById('script');
const saved = document.getElementById('saved');
const edits = new Edits(script.dataset.base, (text, bad) => {
  saved.textContent = text;
  saved.classList.toggle('bad', bad);
});
const kinds = script.dataset.kinds.split(';').map((kind) => {
  const [value, label, note] = kind.split('|');
  return { value, label, note };
});

const rows = () => document.getElementById('rows');
const rowOf = (element) => element.closest('.row');
const rowById = (step) => rows().querySelector(`.row[data-step="${CSS.escape(step)}"]`);

/** Whether rows are just being exchanged, which moves the focus by itself. */
let exchanging = false;

// Showing

function showState() {
  document.getElementById('undo').disabled = rows().dataset.undo !== 'true';
  document.getElementById('redo').disabled = rows().dataset.redo !== 'true';
  document.getElementById('step-count').textContent = rows().querySelectorAll('.row').length;
  drawThreads(rows());
}

function open(row) {
  for (const other of rows().querySelectorAll('.row.open')) {
    if (other !== row) {
      other.classList.remove('open');
    }
  }
  row?.classList.add('open');
  drawThreads(rows());
}

/**
 * Fetches the rows anew and puts the caret where it was, or at `focus`. Rows are only exchanged when the server knows all
 * that was typed, so that no letter is lost to an exchange in the midst of typing.
 */
async function refresh(focus) {
  let html;
  do {
    await edits.flush();
    html = await getText(`${script.dataset.base}/rows`);
  } while (edits.unsent);
  const active = document.activeElement;
  const here = !focus && active && script.contains(active) && rowOf(active)
    ? { step: rowOf(active).dataset.step, field: active.dataset.field, at: active.selectionStart }
    : focus;
  const scroll = script.scrollTop;
  const unfolded = [...rows().querySelectorAll('details[data-more][open]')].map((details) => details.dataset.more);
  exchanging = true;
  rows().outerHTML = html;
  exchanging = false;
  unfolded.forEach((more) => rows().querySelector(`details[data-more="${CSS.escape(more)}"]`)?.setAttribute('open', ''));
  script.scrollTop = scroll;
  const row = here?.step ? rowById(here.step) : null;
  if (row) {
    open(row);
    const field = (here.field && row.querySelector(`[data-field="${CSS.escape(here.field)}"]`))
      ?? row.querySelector('.say, .lead');
    field?.focus();
    if (here.at !== undefined && field?.setSelectionRange && field.type !== 'checkbox') {
      field.setSelectionRange(here.at, here.at);
    }
    row.scrollIntoView({ block: 'nearest' });
  }
  showState();
}

function complain(row, text) {
  row?.querySelector('.field-problem')?.remove();
  if (row && text) {
    const note = document.createElement('p');
    note.className = 'field-problem';
    note.setAttribute('role', 'alert');
    note.textContent = text;
    row.querySelector('.body').prepend(note);
  }
}

/** Makes an edit that changes more than one field's text. */
async function change(edit, focus) {
  await edits.flush();
  const reply = await edits.send(edit);
  if (reply.refused) {
    complain(rowById(edit.step ?? edit.after ?? ''), reply.refused);
    return reply;
  }
  await refresh(focus ?? (reply.focus ? { step: reply.focus } : undefined));
  return reply;
}

// Editing

async function addBelow(row, exit) {
  await change({ edit: 'add', after: row?.dataset.step ?? null, exit: exit ?? null, kind: 'message' });
}

async function become(row) {
  const kind = await pick(row.querySelector('.kind-button'), 'Kind of step', kinds);
  if (kind) {
    await change({ edit: 'become', step: row.dataset.step, kind: kind.value });
  } else {
    row.querySelector('.say, .lead')?.focus();
  }
}

async function lead(button) {
  const row = rowOf(button);
  const exit = button.dataset.exit;
  const items = [
    { value: 'new', label: 'A new step here', note: 'added below' },
    ...[...rows().querySelectorAll('.row')]
      .map((other) => ({
        value: `step:${other.dataset.step}`,
        label: other.dataset.name,
        note: other.querySelector('.kind-button').textContent,
      })),
    ...[...document.querySelectorAll('#flow-list a')]
      .filter((flow) => !flow.hasAttribute('aria-current'))
      .map((flow) => ({ value: `flow:${flow.dataset.flow}`, label: flow.textContent, note: 'flow' })),
    { value: 'back', label: 'Back to where it came from', note: 'return' },
    { value: 'end', label: 'The end', note: 'closes the conversation' },
    { value: '', label: 'Nowhere', note: 'unfinished' },
  ];
  const target = await pick(button, 'Lead to', items);
  if (!target) {
    rows().querySelector(`.row[data-step="${CSS.escape(row.dataset.step)}"] [data-exit="${CSS.escape(exit)}"]`)?.focus();
  } else if (target.value === 'new') {
    await addBelow(row, exit);
  } else {
    await change(
      { edit: 'lead', step: row.dataset.step, exit, target: target.value || null },
      { step: row.dataset.step },
    );
  }
}

async function addOption(row, after) {
  const step = row.dataset.step;
  const before = new Set([...row.querySelectorAll('.option[data-option]')].map((o) => o.dataset.option));
  await change({ edit: 'add_item', step, list: 'options', after }, { step });
  const added = [...rowById(step).querySelectorAll('.option[data-option]')].find((o) => !before.has(o.dataset.option));
  added?.querySelector('.label-of').focus();
}

/** Sends a picture or file of the designer's and puts its address into the field beside the button. */
async function upload(button, row) {
  const chooser = document.createElement('input');
  chooser.type = 'file';
  chooser.accept = 'image/png,image/jpeg,image/gif,image/webp,application/pdf';
  chooser.addEventListener('change', async () => {
    const { status, body } = await postFile(script.dataset.media, chooser.files[0]);
    if (status === 200) {
      const field = button.parentElement.querySelector('input');
      field.value = body.address;
      typedIn(field);
      await edits.flush();
      await refresh({ step: row.dataset.step });
    } else {
      complain(row, body?.refused ?? 'The file could not be sent. It may be too large: 8 MB is the most.');
    }
  });
  chooser.click();
}

async function stepHistory(which) {
  await edits.step(which);
  await refresh();
}

function typedIn(field) {
  const row = rowOf(field);
  if (field.hasAttribute('data-section-title')) {
    const section = field.closest('.part').dataset.section;
    edits.type(`section ${section}`, { edit: 'name_section', section, title: field.value }, () => {});
    return;
  }
  const value = field.type === 'checkbox' ? String(field.checked) : field.value;
  row.dataset.changed = 'true';
  const step = row.dataset.step;
  const name = field.dataset.field;
  edits.type(`${step} ${name}`, { edit: 'set', step, field: name, value }, (reply) => complain(rowById(step), reply.refused));
  drawThreads(rows());
}

// Events

script.addEventListener('input', (event) => {
  if (event.target.matches('[data-field]:not(select, [data-structural]), [data-section-title]')) {
    typedIn(event.target);
  }
});

script.addEventListener('change', async (event) => {
  if (event.target.matches('select[data-field], [data-structural]')) {
    typedIn(event.target);
    await refresh();
  }
});

script.addEventListener('focusin', (event) => {
  const row = rowOf(event.target);
  if (row && !row.classList.contains('open')) {
    open(row);
  }
});

// What other rows say about a row (names in exits) follows when the row is left.
script.addEventListener('focusout', async (event) => {
  const row = rowOf(event.target);
  if (!exchanging && row?.dataset.changed && !row.contains(event.relatedTarget)) {
    delete row.dataset.changed;
    if (!document.querySelector('.picker')) {
      await refresh();
    }
  }
});

script.addEventListener('click', async (event) => {
  const button = event.target.closest('button');
  const row = rowOf(event.target);
  if (!button) {
    if (row && !row.contains(document.activeElement) && !event.target.closest('input, textarea, select, label, summary')) {
      row.querySelector('.say, .lead')?.focus();
    }
    return;
  }
  const step = row?.dataset.step;
  const data = button.dataset;
  if ('addFirst' in data) {
    await addBelow(null);
  } else if ('become' in data) {
    await become(row);
  } else if ('exit' in data) {
    await lead(button);
  } else if ('addOption' in data) {
    await addOption(row, null);
  } else if ('deleteOption' in data) {
    await change({ edit: 'delete_item', step, list: 'options', item: button.closest('.option').dataset.option }, { step });
  } else if ('addItem' in data) {
    const list = button.closest('.items').dataset.list;
    await change({ edit: 'add_item', step, list, after: null }, { step });
    [...rowById(step).querySelectorAll(`.items[data-list="${CSS.escape(list)}"] > .item`)].at(-1)?.querySelector('input, textarea')?.focus();
  } else if ('deleteItem' in data) {
    const list = button.closest('.items').dataset.list;
    await change({ edit: 'delete_item', step, list, item: button.closest('.item').dataset.item }, { step });
  } else if ('moveItem' in data) {
    const list = button.closest('.items').dataset.list;
    await change({ edit: 'move_item', step, list, item: button.closest('.item').dataset.item, by: Number(data.moveItem) }, { step });
  } else if ('upload' in data) {
    await upload(button, row);
  } else if ('addWording' in data) {
    await change({ edit: 'add_wording', step }, { step });
    [...rowById(step).querySelectorAll('.say')].at(-1).focus();
  } else if ('deleteWording' in data) {
    await change({ edit: 'delete_wording', step, index: Number(data.deleteWording) }, { step });
  } else if ('add' in data) {
    await addBelow(row);
  } else if ('move' in data) {
    await change({ edit: 'move', step, by: Number(data.move) });
  } else if ('addSection' in data) {
    await change({ edit: 'add_section', step });
    row.closest('.part')?.querySelector('.part-title')?.focus();
    rowById(step)?.closest('.part').querySelector('.part-title').focus();
  } else if ('deleteSection' in data) {
    await change({ edit: 'delete_section', section: button.closest('.part').dataset.section });
  } else if ('delete' in data) {
    await change({ edit: 'delete', step });
  }
});

function neighbour(field, down) {
  const all = [...rows().querySelectorAll('.row')];
  return all[all.indexOf(rowOf(field)) + (down ? 1 : -1)];
}

script.addEventListener('keydown', async (event) => {
  const field = event.target;
  const row = rowOf(field);
  const control = event.ctrlKey || event.metaKey;
  if (!row) {
    return;
  }
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    event.preventDefault();
    await change({ edit: 'move', step: row.dataset.step, by: event.key === 'ArrowUp' ? -1 : 1 });
  } else if (field.matches('.say')) {
    await keyInText(event, field, row, control);
  } else if (field.matches('.label-of')) {
    await keyInOption(event, field, row, control);
  }
});

async function keyInText(event, field, row, control) {
  if (event.key === 'Enter' && !event.shiftKey && !event.isComposing) {
    event.preventDefault();
    if (row.dataset.kind === 'choice' && !control) {
      row.querySelector('.label-of')?.focus();
    } else {
      await addBelow(row);
    }
  } else if (event.key === '/' && field.value === '') {
    event.preventDefault();
    await become(row);
  } else if (event.key === 'Backspace' && field.value === '' && row.querySelectorAll('.say').length === 1) {
    event.preventDefault();
    await change({ edit: 'delete', step: row.dataset.step });
  } else if (event.key === 'ArrowUp' && field.selectionStart === 0 && field.selectionEnd === 0) {
    neighbour(field, false)?.querySelector('.say, .lead')?.focus();
  } else if (event.key === 'ArrowDown' && field.selectionStart === field.value.length) {
    neighbour(field, true)?.querySelector('.say, .lead')?.focus();
  }
}

async function keyInOption(event, field, row, control) {
  const option = field.closest('.option').dataset.option;
  if (event.key === 'Enter' && control) {
    event.preventDefault();
    await addBelow(row, `option:${option}`);
  } else if (event.key === 'Enter' && field.value !== '') {
    event.preventDefault();
    const next = field.closest('.option').nextElementSibling?.querySelector('.label-of');
    if (next && next.value === '') {
      next.focus();
    } else {
      await addOption(row, option);
    }
  } else if (event.key === 'Backspace' && field.value === '') {
    event.preventDefault();
    const before = field.closest('.option').previousElementSibling?.querySelector('.label-of');
    await change({ edit: 'delete_item', step: row.dataset.step, list: 'options', item: option }, { step: row.dataset.step, field: before?.dataset.field });
  }
}

document.addEventListener('keydown', (event) => {
  const control = event.ctrlKey || event.metaKey;
  const inOtherField = event.target.closest('input, textarea') && !script.contains(event.target);
  if (control && event.key.toLowerCase() === 'z' && !inOtherField) {
    event.preventDefault();
    stepHistory(event.shiftKey ? 'redo' : 'undo');
  } else if (event.key === '?' && !event.target.closest('input, textarea, select')) {
    const keys = document.querySelector('.keys');
    keys.open = !keys.open;
  } else if (event.key === 'Escape') {
    document.querySelectorAll('.flow-menu[open], .keys[open]').forEach((menu) => { menu.open = false; });
  }
});

document.addEventListener('click', (event) => {
  document.querySelectorAll('.flow-menu[open], .keys[open]').forEach((menu) => {
    if (!menu.contains(event.target)) {
      menu.open = false;
    }
  });
});

document.getElementById('undo').addEventListener('click', () => stepHistory('undo'));
document.getElementById('redo').addEventListener('click', () => stepHistory('redo'));
new ResizeObserver(() => drawThreads(rows())).observe(script);
document.fonts.ready.then(() => drawThreads(rows()));

script.addEventListener('toggle', () => drawThreads(rows()), true);
expressionFields(script, typedIn);
placeholders(script, typedIn);

rehearse(document.getElementById('rehearse'), {
  beforeTurn: () => edits.flush(),
  nowAt: (step) => {
    rows().querySelectorAll('.row.speaking').forEach((row) => row.classList.remove('speaking'));
    rowById(step)?.classList.add('speaking');
  },
});
showState();
