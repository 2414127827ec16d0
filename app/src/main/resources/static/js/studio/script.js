// The script of a flow: editing in place by keyboard and mouse. Rules live on the server; this shows and sends.
import '../web/ready.js';
import './said.js';
import { complain } from './complaints.js';
import { dock } from './dock.js';
import { Edits } from './edits.js';
import { controlIn, exchangeRows, markOf, noteRows } from './exchange.js';
import { expressionFields } from './expressions.js';
import { find } from './find.js';
import { finds } from './finds.js';
import { onPhones } from './on-phones.js';
import { folds } from './folds.js';
import { goTos } from './go-to.js';
import { getText, page } from '../web/http.js';
import { inTurn } from '../web/in-turn.js';
import { leading } from './leading.js';
import { listSearch } from './list-search.js';
import { opening } from './opening.js';
import { placeholders } from './placeholders.js';
import { kindsIn, pick } from './picker.js';
import { rehearse } from './rehearse.js';
import { rowActions } from './row-actions.js';
import { fields, firstField } from './fields.js';
import { selection } from './selection.js';
import { keysInTexts } from './text-keys.js';
import { drawThreads, drawThreadsSoon } from './threads.js';
import { together } from './together.js';
import { typing } from './typing.js';
import { wholeRows } from './whole-rows.js';

const script = document.getElementById('script');
const saved = document.getElementById('saved');
const edits = new Edits(script.dataset.base, (text, bad) => {
  saved.textContent = text;
  saved.classList.toggle('bad', bad);
});
const kinds = kindsIn(script.dataset.kinds);

const rows = () => document.getElementById('rows');
noteRows(rows());
const folding = folds(`folded ${script.dataset.base}`, rows);
const rowOf = (element) => element.closest('.row');
const rowById = (step) => rows().querySelector(`.row[data-step="${CSS.escape(step)}"]`);

/** What a row is called now, whether or not the server knows yet what was just typed in it. */
const nameOf = (row) => (row.dataset.changed && !row.querySelector('.titled') && row.querySelector('.say')?.value.trim()) || row.dataset.name;

/** Whether rows are just being exchanged, which moves the focus by itself. */
let exchanging = false;

let saying = 0;

/** Says for a while what was just done. */
function say(text, bad = false) {
  const told = document.getElementById('told');
  clearTimeout(saying);
  told.textContent = text;
  told.classList.toggle('bad', bad);
  told.hidden = text === '';
  saying = setTimeout(() => {
    told.hidden = true;
  }, 8000);
}

function showState() {
  folding.show();
  document.getElementById('undo').disabled = rows().dataset.undo !== 'true';
  document.getElementById('redo').disabled = rows().dataset.redo !== 'true';
  const steps = rows().querySelectorAll('.row').length;
  document.getElementById('step-count').textContent = steps === 1 ? '1 step' : `${steps} steps`;
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
  if (row) {
    row.drawnHeight = row.offsetHeight;
    whole(row);
  }
}

const whole = wholeRows(script.dataset.base, (row) => {
  if (row.classList.contains('open')) {
    drawThreads(rows());
    row.drawnHeight = row.offsetHeight;
  }
});

/**
 * Fetches the rows anew and puts the caret where it was, or at `focus`. Rows are only exchanged when the server knows all
 * that was typed, so that no letter is lost to an exchange in the midst of typing.
 */
const rowsInTurn = inTurn(async (wanted, from) => {
  // Who has gone on to another row meanwhile is not taken back to the one that was changed.
  const gone = () => {
    const row = document.activeElement?.closest('.row')?.dataset.step;
    return row !== undefined && row !== from && row !== wanted?.step;
  };
  let focus = wanted;
  // Only the row that somebody is in comes whole; who goes to another meanwhile needs that one whole.
  const isIn = () => focus?.step ?? document.activeElement?.closest('.row')?.dataset.step ?? '';
  let html, step, taken;
  do {
    await edits.flush();
    focus = gone() ? undefined : wanted;
    step = isIn();
    taken = edits.taken;
    html = await getText(`${script.dataset.base}/rows?open=${encodeURIComponent(step)}`);
  } while (edits.unsent || edits.taken !== taken || (focus && gone()) || isIn() !== step);
  const active = document.activeElement;
  const here =
    !focus && active && script.contains(active) && rowOf(active)
      ? { step: rowOf(active).dataset.step, mark: markOf(active), at: active.selectionStart, whole: active === rowOf(active) }
      : focus;
  const wasOpen = rows().querySelector('.row.open')?.dataset.step;
  const scroll = script.scrollTop;
  const restore = choice.keep();
  const unfolded = [...rows().querySelectorAll('details[data-more][open]')].map((details) => details.dataset.more);
  exchanging = true;
  exchangeRows(rows(), html);
  exchanging = false;
  restore();
  unfolded.forEach((more) =>
    rows()
      .querySelector(`details[data-more="${CSS.escape(more)}"]`)
      ?.setAttribute('open', ''),
  );
  script.scrollTop = scroll;
  const row = here?.step ? rowById(here.step) : null;
  if (row) {
    folding.reveal(row);
  }
  if (row && here.whole) {
    if (wasOpen === here.step) {
      open(row);
    }
    row.focus();
    row.scrollIntoView({ block: 'nearest' });
  } else if (row) {
    open(row);
    const field = controlIn(row, here) ?? firstField(row);
    field?.focus();
    if (here.at !== undefined && field?.setSelectionRange && field.type !== 'checkbox') {
      field.setSelectionRange(here.at, here.at);
    }
    row.scrollIntoView({ block: 'nearest' });
  }
  showState();
});

function refresh(focus) {
  return rowsInTurn(focus, document.activeElement?.closest('.row')?.dataset.step);
}

/** Makes an edit that changes more than one field's text. */
async function change(edit, focus) {
  await edits.flush();
  const reply = await edits.send(edit);
  if (reply.refused) {
    complain(rowById(edit.step ?? edit.after ?? ''), reply.refused);
    return reply;
  }
  if (['delete', 'several', 'duplicate', 'lead', 'paste'].includes(edit.edit)) {
    say(sentence(reply.words));
  }
  await refresh(focus ?? (reply.focus ? { step: reply.focus } : undefined));
  return reply;
}

const sentence = (words) => (words ? `${words[0].toUpperCase()}${words.slice(1)}.` : '');

async function addBelow(row, exit) {
  await change({ edit: 'add', after: row?.dataset.step ?? null, exit: exit ?? null, kind: 'message' });
}

async function become(row) {
  const kind = await pick(row.querySelector('.kind-button'), 'Kind of step', kinds);
  if (kind) {
    await change({ edit: 'become', step: row.dataset.step, kind: kind.value });
  } else {
    firstField(row)?.focus();
  }
}

/** All steps as a list to choose from. */
const steps = (prefix) =>
  [...rows().querySelectorAll('.row')].map((row) => ({
    value: prefix + row.dataset.step,
    label: nameOf(row),
    note: row.querySelector('.kind-button').textContent,
  }));

async function lead(button) {
  const row = rowOf(button);
  const exit = button.dataset.exit;
  const items = [
    { value: 'new', label: 'A new step here', note: 'added below' },
    ...steps('step:'),
    ...[...document.querySelectorAll('#flow-list a')]
      .filter((flow) => !flow.hasAttribute('aria-current'))
      .map((flow) => ({ value: `flow:${flow.dataset.flow}`, label: flow.textContent, note: 'flow' })),
    { value: 'back', label: 'Back to where it came from', note: 'return' },
    { value: 'end', label: 'The end', note: 'closes the conversation' },
    { value: '', label: 'Nowhere', note: 'unfinished' },
  ];
  const target = await pick(button, 'Lead to', items);
  if (!target) {
    rows()
      .querySelector(`.row[data-step="${CSS.escape(row.dataset.step)}"] [data-exit="${CSS.escape(exit)}"]`)
      ?.focus();
  } else if (target.value === 'new') {
    await addBelow(row, exit);
  } else {
    await change({ edit: 'lead', step: row.dataset.step, exit, target: target.value || null }, { step: row.dataset.step });
  }
}

async function addOption(row, after) {
  const step = row.dataset.step;
  const before = new Set([...row.querySelectorAll('.option[data-option]')].map((o) => o.dataset.option));
  await change({ edit: 'add_item', step, list: 'options', after }, { step });
  const added = [...rowById(step).querySelectorAll('.option[data-option]')].find((o) => !before.has(o.dataset.option));
  added?.querySelector('.label-of').focus();
}

async function stepHistory(which) {
  const reply = await edits.step(which);
  say(sentence(reply.words));
  await refresh();
}

/** Shows a step, wherever it is. */
function goTo(step) {
  const row = rowById(step);
  if (!row) {
    return;
  }
  folding.reveal(row);
  open(row);
  row.scrollIntoView({ block: 'center' });
  (firstField(row) ?? row).focus();
}

const goToStep = goTos({ steps, goTo });

const typedIn = typing({ edits, rows, rowOf, rowById });

const choice = selection(script, { rows, change, refresh, flush: () => edits.flush(), say });

script.addEventListener('input', (event) => {
  if (event.target.matches('[data-field]:not(select, [data-structural]), [data-section-title]')) {
    typedIn(event.target);
  }
});

const chosenFrom = listSearch(script, () => refresh());
script.addEventListener('change', (event) => {
  if (event.target.matches('select[data-field], [data-structural]')) {
    typedIn(event.target);
    chosenFrom(event);
  }
});

finds(script);
fields(script);
onPhones(script, { typedIn, flush: () => edits.flush() });
opening(script, { open, whole, at: (row) => others.at(row.dataset.step) });

// What other rows say about a row (names in exits) follows when the row is left.
script.addEventListener('focusout', async (event) => {
  const row = rowOf(event.target);
  if (!exchanging && row?.dataset.changed && !row.contains(event.relatedTarget)) {
    if (!document.querySelector('.picker')) {
      // The mark stays until the row is exchanged: until then its name is what stands in it.
      await refresh();
    }
  }
});

rowActions(script, {
  rows,
  rowOf,
  rowById,
  change,
  addBelow,
  addOption,
  become,
  lead,
  typedIn,
  refresh,
  folding,
  flush: () => edits.flush(),
  choice: () => choice,
  side: () => side,
});

document.addEventListener('keydown', (event) => {
  const control = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  const inOtherField = event.target.closest('input, textarea') && !script.contains(event.target);
  if (control && key === 'z' && !inOtherField) {
    event.preventDefault();
    stepHistory(event.shiftKey ? 'redo' : 'undo');
  } else if (control && event.shiftKey && key === 'f') {
    event.preventDefault();
    finder.open();
  } else if (control && key === 'k') {
    event.preventDefault();
    goToStep();
  } else if (event.key === '?' && !event.target.closest('input, textarea, select')) {
    document.getElementById('keys').showModal();
  } else if (event.key === 'Escape') {
    document.querySelectorAll('.flow-menu[open]').forEach((menu) => {
      menu.open = false;
    });
  }
});

document.addEventListener('click', (event) => {
  document.querySelectorAll('.flow-menu[open]').forEach((menu) => {
    if (!menu.contains(event.target)) {
      menu.open = false;
    }
  });
});

document.getElementById('undo').addEventListener('click', () => stepHistory('undo'));
document.getElementById('redo').addEventListener('click', () => stepHistory('redo'));
let width = script.clientWidth;
new ResizeObserver(() => {
  if (script.clientWidth !== width) {
    width = script.clientWidth;
    drawThreadsSoon(rows);
  }
}).observe(script);
if (document.fonts.status !== 'loaded') {
  document.fonts.ready.then(() => drawThreadsSoon(rows));
}

script.addEventListener('toggle', () => drawThreads(rows()), true);
expressionFields(script, typedIn);
placeholders(script, typedIn);

keysInTexts(script, { rows, rowOf, change, addBelow, addOption, become });

leading(script, rows, {
  async lead(ways, target) {
    const led = ways.map((way) => ({ edit: 'lead', step: way.step, exit: way.exit, target }));
    await change(led.length === 1 ? led[0] : { edit: 'several', edits: led }, { step: ways[0].step, whole: true });
  },
  async insert({ ways }) {
    const last = ways.at(-1);
    const reply = await change({ edit: 'add', after: last.step, exit: last.exit, kind: 'message' });
    const others = ways.slice(0, -1);
    if (reply.focus && others.length) {
      const led = others.map((way) => ({ edit: 'lead', step: way.step, exit: way.exit, target: `step:${reply.focus}` }));
      await change({ edit: 'several', edits: led }, { step: reply.focus });
    }
  },
});

const others = together({ base: script.dataset.base, page, rows, refresh: () => refresh(), list: document.getElementById('companions') });

const side = dock(document.getElementById('dock'), { base: script.dataset.base, goTo, changed: () => refresh() });

const finder = find(document.getElementById('find'), {
  bot: script.dataset.bot,
  flow: script.dataset.flow,
  flush: () => edits.flush(),
  goTo,
  replaced: () => refresh(),
});

document.getElementById('find-button').addEventListener('click', () => finder.open());
document.getElementById('go-to').addEventListener('click', goToStep);
document.getElementById('keys-button').addEventListener('click', () => document.getElementById('keys').showModal());
document.querySelectorAll('[data-close]').forEach((button) => button.addEventListener('click', () => button.closest('dialog').close()));

rehearse(document.getElementById('rehearse'), {
  beforeTurn: () => edits.flush(),
  nowAt: (step) => {
    rows()
      .querySelectorAll('.row.speaking')
      .forEach((row) => row.classList.remove('speaking'));
    rowById(step)?.classList.add('speaking');
  },
});
showState();
const goToHash = () => goTo(decodeURIComponent(location.hash.slice(1)));
addEventListener('hashchange', goToHash);
goToHash();
