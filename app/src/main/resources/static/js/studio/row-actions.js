// The buttons in the rows of a script.
import { complain } from './complaints.js';
import { firstField } from './fields.js';
import { postFile } from '../web/http.js';
import { drawThreads } from './threads.js';

/**
 * @param {Element} script
 * @param {object} it what the script can do: its functions by their names
 */
export function rowActions(script, it) {
  const { rows, rowOf, rowById, change, addBelow, addOption, become, lead, typedIn, refresh, folding, flush } = it;

  /** Sends a picture or file of the designer's and puts its address into the field beside the button. */
  async function upload(button, row) {
    const chooser = document.createElement('input');
    chooser.type = 'file';
    chooser.accept = 'image/png,image/jpeg,image/gif,image/webp,video/mp4,video/webm,application/pdf';
    chooser.addEventListener('change', async () => {
      const { status, body } = await postFile(script.dataset.media, chooser.files[0]);
      if (status === 200) {
        const field = button.parentElement.querySelector('input');
        field.value = body.address;
        typedIn(field);
        await flush();
        await refresh({ step: row.dataset.step });
      } else {
        complain(row, body?.refused ?? 'The file could not be sent. It may be too large: 8 MB is the most, 20 MB for a film.');
      }
    });
    chooser.click();
  }

  script.addEventListener('click', async (event) => {
    const button = event.target.closest('button');
    const row = rowOf(event.target);
    if (!button) {
      if (row && !row.contains(document.activeElement) && !event.target.closest('.dot') && !event.target.closest('input, textarea, select, label, summary')) {
        firstField(row)?.focus();
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
    } else if ('duplicate' in data) {
      await it.choice().duplicate(row);
    } else if ('note' in data) {
      it.side().note(step, row.querySelector('.say')?.value || row.dataset.name);
    } else if ('notes' in data) {
      it.side().show('notes');
    } else if ('fold' in data) {
      folding.toggle(button.closest('.part'));
      drawThreads(rows());
    }
  });
}
