// Rows as wholes: choosing one or several, copying, pasting, duplicating, deleting and moving them.
import { getText, postJson } from '../web/http.js';
import { firstField } from './fields.js';

/**
 * @param {Element} script
 * @param {{rows: () => Element, change: Function, refresh: Function, flush: Function, page: string, say: Function}} it
 */
export function selection(script, it) {
  let anchor = null;
  let copied = { key: '', text: '' };
  const all = () => [...it.rows().querySelectorAll('.row')];
  const chosen = () => all().filter((row) => row.classList.contains('chosen'));
  const here = () => (document.activeElement?.classList.contains('row') ? document.activeElement : null);
  /** The chosen rows, or the one in focus. */
  const meant = () => {
    const rows = chosen();
    return rows.length ? rows : [here()].filter(Boolean);
  };
  const steps = () => meant().map((row) => row.dataset.step);

  const fetchText = async (of) => {
    await it.flush();
    return getText(`${script.dataset.base}/steps?${new URLSearchParams(of.map((step) => ['of', step]))}`);
  };

  /** Asks ahead for the text to copy: where there is no clipboard to promise it to, it can only be filled at once. */
  async function prepare() {
    const of = steps();
    const key = of.join(' ');
    if (of.length && copied.key !== key) {
      const text = await fetchText(of);
      copied = { key, text };
    }
  }

  /** Copies what is meant; promises it to the clipboard if the text is still on its way. */
  async function copy(event) {
    const of = steps();
    const told = of.length === 1 ? '1 row copied' : `${of.length} rows copied`;
    event?.preventDefault();
    if (event && copied.key === of.join(' ')) {
      event.clipboardData.setData('text/plain', copied.text);
      it.say(told);
      return;
    }
    try {
      const text = fetchText(of).then((json) => new Blob([json], { type: 'text/plain' }));
      await navigator.clipboard.write([new ClipboardItem({ 'text/plain': text })]);
      it.say(told);
    } catch {
      it.say('The browser did not let them be copied; press Ctrl C once more.', true);
    }
  }

  function show() {
    const count = chosen().length;
    const bar = document.getElementById('chosen-bar');
    bar.hidden = count === 0;
    bar.querySelector('[data-count]').textContent = count === 1 ? '1 row chosen' : `${count} rows chosen`;
    prepare();
  }

  function clear() {
    chosen().forEach((row) => row.classList.remove('chosen'));
    anchor = null;
    show();
  }

  function upTo(row) {
    const rows = all();
    const from = rows.indexOf(rows.find((other) => other.dataset.step === anchor) ?? row);
    const to = rows.indexOf(row);
    rows.forEach((other, i) => other.classList.toggle('chosen', i >= Math.min(from, to) && i <= Math.max(from, to)));
    show();
  }

  /** Keeps the choice over an exchange of the rows. */
  const keep = () => {
    const ids = new Set(chosen().map((row) => row.dataset.step));
    return () => {
      all().forEach((row) => row.classList.toggle('chosen', ids.has(row.dataset.step)));
      show();
    };
  };

  script.addEventListener('input', () => {
    copied = { key: '', text: '' };
  });

  async function remove() {
    const of = steps();
    if (of.length) {
      await it.change(of.length === 1 ? { edit: 'delete', step: of[0] } : { edit: 'several', edits: of.map((step) => ({ edit: 'delete', step })) });
      clear();
    }
  }

  async function duplicate() {
    const of = steps();
    if (of.length) {
      await it.change({ edit: 'duplicate', steps: of });
    }
  }

  async function move(by) {
    const of = steps();
    const order = by < 0 ? of : of.toReversed();
    if (of.length) {
      const back = keep();
      await it.change({ edit: 'several', edits: order.map((step) => ({ edit: 'move', step, by })) }, { step: of[0], whole: true });
      back();
    }
  }

  async function paste(text) {
    await it.flush();
    const after = meant().at(-1)?.dataset.step ?? all().at(-1)?.dataset.step ?? null;
    const { status, body } = await postJson(`${script.dataset.base}/paste`, { after, text });
    if (status === 200) {
      it.say(body.words);
      await it.refresh({ step: body.focus, whole: true });
    } else {
      it.say(body?.refused ?? 'It could not be pasted.', true);
    }
  }

  script.addEventListener(
    'click',
    (event) => {
      const row = event.target.closest('.row');
      if (!row || !(event.ctrlKey || event.metaKey || event.shiftKey) || event.target.closest('input, textarea, select')) {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
      if (event.shiftKey) {
        anchor ??= row.dataset.step;
        upTo(row);
      } else {
        row.classList.toggle('chosen');
        anchor = row.dataset.step;
        show();
      }
      row.focus();
    },
    true,
  );

  script.addEventListener('focusin', () => {
    if (here()) {
      prepare();
    }
  });

  script.addEventListener('keydown', async (event) => {
    const control = event.ctrlKey || event.metaKey;
    const field = event.target.closest('input, textarea, select');
    const row = event.target.closest('.row');
    if (event.key === 'Escape' && row && field) {
      event.preventDefault();
      row.focus();
      return;
    }
    if (!here()) {
      return;
    }
    const rows = all();
    const at = rows.indexOf(here());
    if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !event.altKey) {
      event.preventDefault();
      const next = rows[at + (event.key === 'ArrowDown' ? 1 : -1)];
      if (next && event.shiftKey) {
        anchor ??= here().dataset.step;
        upTo(next);
      } else if (next) {
        clear();
      }
      next?.focus();
    } else if (event.altKey && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      event.stopImmediatePropagation();
      await move(event.key === 'ArrowUp' ? -1 : 1);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      firstField(here())?.focus();
    } else if (event.key === ' ') {
      event.preventDefault();
      here().classList.toggle('chosen');
      anchor = here().dataset.step;
      show();
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      await remove();
    } else if (control && event.key.toLowerCase() === 'd') {
      event.preventDefault();
      await duplicate();
    } else if (control && event.key.toLowerCase() === 'a') {
      event.preventDefault();
      rows.forEach((other) => other.classList.add('chosen'));
      show();
    } else if (event.key === 'Escape') {
      clear();
    }
  });

  const ours = () => meant().length > 0 && String(getSelection()) === '' && !document.activeElement?.closest('input, textarea');
  document.addEventListener('copy', (event) => {
    if (ours()) {
      copy(event);
    }
  });
  document.addEventListener('cut', async (event) => {
    if (ours()) {
      await copy(event);
      remove();
    }
  });
  document.addEventListener('paste', (event) => {
    if (!document.activeElement?.closest('input, textarea, dialog')) {
      event.preventDefault();
      paste(event.clipboardData.getData('text/plain'));
    }
  });

  document.getElementById('chosen-bar').addEventListener('click', (event) => {
    const act = event.target.closest('button')?.dataset.act;
    ({ duplicate, remove, copy: () => copy(), up: () => move(-1), down: () => move(1), clear })[act]?.();
  });
  return { keep, duplicate: (row) => it.change({ edit: 'duplicate', steps: [row.dataset.step] }) };
}
