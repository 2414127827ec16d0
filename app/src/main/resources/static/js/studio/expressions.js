// Writing conditions and values: what is wrong and where, the same rule in plain words and as rows. All three show one
// text, which is what is saved; the server reads and writes each form.
import { postJson } from '../web/http.js';

const COMPARISONS = [
  ['is', 'is'],
  ['is_not', 'is not'],
  ['at_least', 'is at least'],
  ['at_most', 'is at most'],
  ['more', 'is more than'],
  ['less', 'is less than'],
  ['contains', 'contains'],
  ['contains_not', 'does not contain'],
  ['begins', 'starts with'],
  ['one_of', 'is one of'],
  ['yes', 'is yes'],
  ['no', 'is no'],
  ['known', 'is known'],
  ['unknown', 'is not known'],
  ['open', 'is open (team)'],
  ['closed', 'is closed (team)'],
  ['free', 'has a free time (appointment)'],
  ['not_free', 'has no free time (appointment)'],
];
const WITHOUT_VALUE = new Set(['yes', 'no', 'known', 'unknown', 'open', 'closed', 'free', 'not_free']);
const PAUSE_MS = 350;

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className;
  if (text !== undefined) {
    made.textContent = text;
  }
  return made;
}

/** The helper beneath the field that has the focus; there is one at most. */
class Helper {
  constructor(script, field, typed) {
    this.address = script.dataset.expressions;
    this.field = field;
    this.typed = typed;
    this.turn = 0;
    this.condition = field.closest('.expression').hasAttribute('data-condition');
    this.box = element('span', 'helper');
    this.said = element('span', 'helper-said');
    this.said.setAttribute('role', 'status');
    this.box.append(this.said);
    if (this.condition) {
      const inWords = element('span', 'in-words', 'in words');
      this.words = element('input', 'boxed');
      this.words.placeholder = 'guests between 6 and 20 and team Events is open';
      this.words.setAttribute('aria-label', 'The rule in plain words');
      this.rows = element('span', 'helper-rows');
      inWords.append(this.words);
      this.box.append(inWords, this.rows);
      this.words.addEventListener('input', () => this.later(() => this.ask({ words: this.words.value }, this.words)));
    }
    field.closest('.expression').append(this.box);
    field.addEventListener('input', (this.listen = () => this.later(() => this.ask({ text: field.value }, field))));
    this.ask({ text: field.value }, field);
  }

  close() {
    clearTimeout(this.timer);
    this.field.removeEventListener('input', this.listen);
    this.box.remove();
  }

  /** After a pause in typing. What was asked before the typing is of no interest any more. */
  later(what) {
    this.turn += 1;
    clearTimeout(this.timer);
    this.timer = setTimeout(what, PAUSE_MS);
  }

  async ask(question, from) {
    const { turn } = this;
    const asked = { condition: this.condition, all: true, ...question };
    const { status, body } = await postJson(this.address, asked).catch(() => ({ status: 0 }));
    if (status === 200 && this.box.isConnected && turn === this.turn) {
      this.show(body, from);
    }
  }

  show(shown, from) {
    const failed = shown.problem !== '';
    this.said.classList.toggle('bad', failed);
    const typed = from?.value ?? '';
    const place = failed && typed && shown.at < typed.length ? ` Here: “${typed.slice(shown.at, shown.at + 16)}”` : '';
    this.said.textContent = failed ? shown.problem + place : typed ? 'Understood.' : '';
    if (from !== this.field && !failed && this.field.value !== shown.text) {
      this.field.value = shown.text;
      this.typed(this.field);
    }
    if (this.condition && !failed) {
      if (from !== this.words) {
        this.words.value = shown.words;
      }
      if (!this.rows.contains(document.activeElement)) {
        this.fill(shown);
      }
    }
  }

  fill(shown) {
    if (shown.rows === null || shown.rows === undefined) {
      this.rows.replaceChildren(element('span', 'hint', 'This says more than rows can show.'));
      return;
    }
    const lines = shown.rows.map((row) => this.line(row));
    const add = element('button', 'mini', 'Add a comparison');
    add.type = 'button';
    add.addEventListener('click', () => {
      const line = this.line({ variable: '', comparison: 'is', value: '' });
      this.rows.insertBefore(line, foot);
      line.querySelector('input').focus();
    });
    const foot = element('span', 'helper-foot');
    const join = element('select', '');
    join.setAttribute('aria-label', 'All or any must hold');
    join.append(new Option('all must hold', 'true'), new Option('any must hold', 'false'));
    join.value = String(shown.all);
    join.addEventListener('change', () => this.fromRows());
    foot.append(...(shown.rows.length > 1 ? [join] : []), add);
    this.rows.replaceChildren(...lines, foot);
  }

  line(row) {
    const line = element('span', 'helper-row');
    const variable = element('input', 'boxed code');
    variable.setAttribute('list', 'variables');
    variable.value = row.variable;
    variable.placeholder = 'variable';
    variable.setAttribute('aria-label', 'Variable, team or appointment');
    const comparison = element('select', '');
    comparison.setAttribute('aria-label', 'Comparison');
    COMPARISONS.forEach(([key, words]) => comparison.append(new Option(words, key)));
    comparison.value = row.comparison;
    const value = element('input', 'boxed');
    value.value = row.value;
    value.placeholder = 'value';
    value.setAttribute('aria-label', 'Value');
    value.hidden = WITHOUT_VALUE.has(row.comparison);
    const remove = element('button', 'mini', '×');
    remove.type = 'button';
    remove.setAttribute('aria-label', 'Remove this comparison');
    remove.addEventListener('click', () => {
      line.remove();
      this.fromRows();
    });
    comparison.addEventListener('change', () => {
      value.hidden = WITHOUT_VALUE.has(comparison.value);
      this.fromRows();
    });
    variable.addEventListener('input', () => this.later(() => this.fromRows()));
    value.addEventListener('input', () => this.later(() => this.fromRows()));
    line.append(variable, comparison, value, remove);
    return line;
  }

  fromRows() {
    const rows = [...this.rows.querySelectorAll('.helper-row')]
      .map((line) => {
        const [variable, value] = line.querySelectorAll('input');
        return { variable: variable.value.trim(), comparison: line.querySelector('select').value, value: value.value };
      })
      .filter((row) => row.variable && (WITHOUT_VALUE.has(row.comparison) || row.value !== ''));
    const join = this.rows.querySelector('.helper-foot select');
    this.ask({ rows, all: join ? join.value === 'true' : true }, null);
  }
}

/** Gives every expression field inside `script` its helper while it has the focus. */
export function expressionFields(script, typed) {
  let helper = null;
  let pressed = false;
  script.addEventListener('pointerdown', () => (pressed = true), true);
  addEventListener('pointerup', () => setTimeout(() => (pressed = false)), true);

  /** What is pressed below must not move away under the press: the helper folds when the press is over. */
  function fold(gone) {
    if (pressed) {
      addEventListener('pointerup', () => setTimeout(() => gone.close()), { once: true });
    } else {
      gone.close();
    }
  }

  script.addEventListener('focusin', (event) => {
    const box = event.target.closest('.expression');
    if (helper && box !== helper.field.closest('.expression')) {
      fold(helper);
      helper = null;
    }
    if (box && !helper) {
      helper = new Helper(script, box.querySelector('[data-field]'), typed);
    }
  });
}
