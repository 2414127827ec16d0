// What is typed into the fields of the script goes to the server as edits of single fields.
import { clash, complain } from './complaints.js';
import { drawThreadsSoon } from './threads.js';

/**
 * @param {{edits: import('./edits.js').Edits, rows: Function, rowOf: Function, rowById: Function}} it
 * @returns {(field: HTMLInputElement|HTMLTextAreaElement) => void} notes what was typed into a field
 */
export function typing({ edits, rows, rowOf, rowById }) {
  function typedIn(field) {
    const row = rowOf(field);
    if (field.hasAttribute('data-section-title')) {
      const section = field.closest('.part').dataset.section;
      edits.type(`section ${section}`, () => ({ edit: 'name_section', section, title: field.value }));
      return;
    }
    row.dataset.changed = 'true';
    const step = row.dataset.step;
    const name = field.dataset.field;
    const isText = field.matches('textarea, input:not([type="checkbox"])');
    // Rows may be exchanged before the edit's turn comes; what was typed is read now.
    const value = field.type === 'checkbox' ? String(field.checked) : field.value;
    const was = () => (isText ? (field.dataset.known ?? field.defaultValue) : null);
    edits.type(
      `${step} ${name}`,
      () => ({ edit: 'set', step, field: name, value, was: was() }),
      (reply) => {
        if (reply.theirs !== null && reply.theirs !== undefined) {
          const now = rowById(step)?.querySelector(`[data-field="${CSS.escape(name)}"]`) ?? field;
          clash(now, reply.theirs, () => typedIn(now));
          return;
        }
        complain(rowById(step), reply.refused);
        if (!reply.refused) {
          field.dataset.known = reply.stored ?? value;
        }
      },
    );
    if (row.offsetHeight !== row.drawnHeight) {
      row.drawnHeight = row.offsetHeight;
      drawThreadsSoon(rows);
    }
  }
  return typedIn;
}
