// How a choice looks on phones, unfolded in its row, and what would fit better.
import { getText } from '../web/http.js';
import { inTurn } from '../web/in-turn.js';

/**
 * @param {HTMLElement} script
 * @param {{typedIn: (field: HTMLElement) => void, flush: () => Promise<unknown>}} hooks
 */
export function onPhones(script, { typedIn, flush }) {
  const load = inTurn(async (details) => {
    await flush();
    const template = document.createElement('template');
    try {
      template.innerHTML = await getText(`${script.dataset.base}/phones/${encodeURIComponent(details.dataset.phones)}`);
    } catch {
      return;
    }
    details.querySelector('[data-found]').replaceChildren(template.content);
  });

  script.addEventListener(
    'toggle',
    ({ target }) => {
      if (target.matches('[data-phones]') && target.open) {
        load(target);
      }
    },
    true,
  );
  script.addEventListener('click', ({ target }) => {
    const fix = target.closest('[data-shorten]');
    if (fix) {
      const details = fix.closest('[data-phones]');
      const field = details.closest('.row').querySelector(`[data-field="options.${CSS.escape(fix.dataset.shorten)}.label"]`);
      field.value = fix.dataset.label;
      // The button goes away, and a row that nothing has the focus of is closed.
      field.focus();
      typedIn(field);
      load(details);
    }
  });
}
