// The grid of a table, by keyboard as in a spreadsheet: moving, selecting, pasting a block, filling down, taking back, and
// hiding columns. Everything that is changed stands in the form, and is kept when the rows are saved.
import '../web/ready.js';

const grid = document.querySelector('[data-grid]');
const body = grid.tBodies[0];
const hidden = new Set(JSON.parse(localStorage.getItem(`hidden ${grid.dataset.grid}`) ?? '[]'));
const changes = [];
let from = null;

const lines = () => [...body.rows];
const cells = (line) => [...line.querySelectorAll('.sheet-cell')];

/** Where a cell stands; null for what is none. */
function place(cell) {
  const line = cell?.closest('tr');
  return line && cell.matches('.sheet-cell') ? { row: lines().indexOf(line), column: cells(line).indexOf(cell) } : null;
}

function at(row, column) {
  const line = lines()[row];
  return line ? cells(line)[column] : undefined;
}

/** The selected rectangle, or the one cell that is edited. */
function selected() {
  const to = place(document.activeElement);
  if (!to) {
    return null;
  }
  const begin = from ?? to;
  return {
    top: Math.min(begin.row, to.row),
    bottom: Math.max(begin.row, to.row),
    left: Math.min(begin.column, to.column),
    right: Math.max(begin.column, to.column),
  };
}

function mark() {
  const area = from && selected();
  lines().forEach((line, row) =>
    cells(line).forEach((cell, column) => {
      const inside = area && row >= area.top && row <= area.bottom && column >= area.left && column <= area.right;
      cell.classList.toggle('chosen', Boolean(inside));
    }),
  );
}

function go(row, column, extend) {
  const cell = at(row, column);
  if (!cell || cell.closest('td').hidden) {
    return false;
  }
  const start = from ?? place(document.activeElement);
  cell.focus();
  if (cell.select && !extend) {
    cell.select();
  }
  from = extend ? start : null;
  mark();
  return true;
}

/** What a cell can hold of a text: a choice takes its own words only. */
function put(cell, text) {
  if (cell.tagName === 'SELECT') {
    const wanted = text.trim().toLowerCase();
    const option = [...cell.options].find((one) => one.value === wanted || one.text.toLowerCase() === wanted);
    cell.value = option ? option.value : cell.value;
  } else {
    if (cell.type === 'date' && text && !/^\d{4}-\d\d-\d\d$/.test(text.trim())) {
      cell.type = 'text';
    }
    cell.value = text.trim();
  }
  cell.dataset.before = cell.value;
}

/** Changes cells, so that all of it can be taken back at once. */
function change(all) {
  const before = all.map(([cell]) => [cell, cell.value]);
  all.forEach(([cell, text]) => put(cell, text));
  changes.push(before);
}

function takeBack() {
  const before = changes.pop();
  before?.forEach(([cell, text]) => {
    cell.value = text;
    cell.dataset.before = text;
  });
  return Boolean(before);
}

/** One more line for a new row. */
function another() {
  const last = lines().at(-1);
  const line = last.cloneNode(true);
  const number = lines().length;
  cells(line).forEach((cell) => {
    cell.name = cell.name.replace(/^cell\.[^.]+\./, `cell.new${number}.`);
    cell.value = '';
    cell.removeAttribute('aria-invalid');
  });
  line.querySelectorAll('.field-error').forEach((error) => error.remove());
  body.append(line);
}

function blocked(text) {
  return text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
}

function paste(event) {
  const start = place(event.target);
  const text = event.clipboardData.getData('text/plain');
  if (!start || !/[\t\n]/.test(text.replace(/\n$/, ''))) {
    return;
  }
  event.preventDefault();
  const block = blocked(text);
  while (lines().length < start.row + block.length) {
    another();
  }
  const all = [];
  block.forEach((words, row) =>
    words.forEach((word, column) => {
      const cell = at(start.row + row, start.column + column);
      if (cell) {
        all.push([cell, word]);
      }
    }),
  );
  change(all);
}

function fillDown() {
  const area = selected();
  const top = area.top === area.bottom ? area.top - 1 : area.top;
  const all = [];
  for (let column = area.left; column <= area.right; column++) {
    const above = at(top, column);
    for (let row = top + 1; above && row <= area.bottom; row++) {
      all.push([at(row, column), above.value]);
    }
  }
  change(all);
}

function copy(event) {
  const area = from && selected();
  if (!area) {
    return;
  }
  event.preventDefault();
  const rows = lines().slice(area.top, area.bottom + 1);
  const text = rows.map((line) =>
    cells(line)
      .slice(area.left, area.right + 1)
      .map((cell) => cell.value)
      .join('\t'),
  );
  event.clipboardData.setData('text/plain', text.join('\n'));
}

function key(event) {
  const here = place(event.target);
  if (!here) {
    return;
  }
  const held = event.ctrlKey || event.metaKey;
  const choice = event.target.tagName === 'SELECT';
  const steps = { ArrowUp: -1, ArrowDown: 1 };
  let done = false;
  if (event.key === 'Enter' && !held) {
    done = go(here.row + (event.shiftKey ? -1 : 1), here.column, false) || true;
  } else if (steps[event.key] && (!choice || event.shiftKey)) {
    done = go(here.row + steps[event.key], here.column, event.shiftKey);
  } else if (event.key === 'ArrowRight' && event.shiftKey && held) {
    done = go(here.row, here.column + 1, true);
  } else if (event.key === 'ArrowLeft' && event.shiftKey && held) {
    done = go(here.row, here.column - 1, true);
  } else if (held && event.key.toLowerCase() === 'd') {
    fillDown();
    done = true;
  } else if (held && event.key.toLowerCase() === 'z' && event.target.value === event.target.dataset.before) {
    done = takeBack();
  } else if (event.key === 'Escape' && from) {
    from = null;
    mark();
    done = true;
  }
  if (done) {
    event.preventDefault();
  }
}

// Typing in one cell is taken back by the browser while the cell is edited, and as a whole afterwards.
body.addEventListener('focusin', (event) => {
  event.target.dataset.before = event.target.value;
});
body.addEventListener('change', (event) => {
  if (event.target.dataset.before !== undefined && event.target.value !== event.target.dataset.before) {
    changes.push([[event.target, event.target.dataset.before]]);
    event.target.dataset.before = event.target.value;
  }
});
body.addEventListener('mousedown', () => {
  from = null;
  mark();
});
body.addEventListener('keydown', key);
body.addEventListener('paste', paste);
body.addEventListener('copy', copy);

// Columns

function show() {
  [...grid.tHead.rows[0].cells].forEach((head, column) => {
    const away = hidden.has(head.dataset.column);
    head.hidden = away;
    lines().forEach((line) => {
      line.cells[column].hidden = away;
    });
  });
}

document.querySelectorAll('[data-show]').forEach((box) => {
  box.checked = !hidden.has(box.dataset.show);
  box.addEventListener('change', () => {
    if (box.checked) {
      hidden.delete(box.dataset.show);
    } else {
      hidden.add(box.dataset.show);
    }
    localStorage.setItem(`hidden ${grid.dataset.grid}`, JSON.stringify([...hidden]));
    show();
  });
});
show();
