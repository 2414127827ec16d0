// Rows come without what is only seen while they are open. When one is opened, that is fetched and grafted in.
import { getText } from '../web/http.js';

/**
 * Puts into `lean` the elements that only `whole` has: those of the class when-open. Everything else of `lean` stays as it is,
 * with what was typed in it and the caret.
 */
export function graft(lean, whole) {
  let at = 0;
  for (const child of [...whole.children]) {
    const here = lean.children[at];
    if (child.classList.contains('when-open') && !here?.classList.contains('when-open')) {
      lean.insertBefore(child, here ?? null);
    } else if (here) {
      graft(here, child);
    }
    at += 1;
  }
}

/**
 * Makes sure that rows are whole.
 *
 * @param {string} base address of the flow
 * @param {(row: Element) => void} made hears when one has become whole
 */
export function wholeRows(base, made) {
  const coming = new WeakMap();

  async function fetched(row) {
    const template = document.createElement('template');
    try {
      template.innerHTML = await getText(`${base}/rows/${encodeURIComponent(row.dataset.step)}`);
    } catch {
      // Without the server the row is as it was; opening it again tries again.
      coming.delete(row);
      return;
    }
    const whole = template.content.querySelector('.row');
    if (whole && row.isConnected && row.dataset.whole === undefined) {
      graft(row, whole);
      row.dataset.whole = '';
      made(row);
    }
  }

  /** @returns {Promise<void>} when the row is whole, or cannot be for now */
  return (row) => {
    if (row.dataset.whole !== undefined) {
      return Promise.resolve();
    }
    if (!coming.has(row)) {
      coming.set(row, fetched(row));
    }
    return coming.get(row);
  };
}
