// Keys in the texts and options of a script.
import { firstField } from './fields.js';

/**
 * @param {Element} script
 * @param {{rows: () => Element, rowOf: Function, change: Function, addBelow: Function, addOption: Function, become: Function}} it
 */
export function keysInTexts(script, it) {
  const { rowOf, change, addBelow, addOption, become } = it;
  const rows = it.rows;

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
      firstField(neighbour(field, false))?.focus();
    } else if (event.key === 'ArrowDown' && field.selectionStart === field.value.length) {
      firstField(neighbour(field, true))?.focus();
    }
  }

  async function keyInOption(event, field, row, control) {
    const option = field.closest('.option').dataset.option;
    if (event.key === 'Enter' && control) {
      event.preventDefault();
      await addBelow(row, `option:${option}`);
    } else if (event.key === 'Tab' && !event.shiftKey && field.value !== '') {
      const lead = field.closest('.option').querySelector(`[data-exit="option:${CSS.escape(option)}"]`);
      const to = (lead?.dataset.target ?? '').startsWith('step:') && rows().querySelector(`.row[data-step="${CSS.escape(lead.dataset.target.slice(5))}"]`);
      if (to) {
        event.preventDefault();
        (firstField(to) ?? to).focus();
      }
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      const line = field.closest('.option');
      const next = (event.key === 'ArrowDown' ? line.nextElementSibling : line.previousElementSibling)?.querySelector('.label-of');
      (next ?? (event.key === 'ArrowUp' ? row.querySelector('.say') : null))?.focus();
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
}
