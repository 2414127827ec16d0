// What a step that reads a table would find now, unfolded in its row; values of variables can be given to try it.
import { getText } from '../web/http.js';
import { inTurn } from '../web/in-turn.js';

/** @param {HTMLElement} script */
export function finds(script) {
  const load = inTurn(async (details, whole) => {
    const given = [...details.querySelectorAll('[data-given]')].map((field) => `v.${field.dataset.given}=${encodeURIComponent(field.value)}`);
    const query = given.length > 0 ? `?${given.join('&')}` : '';
    const template = document.createElement('template');
    try {
      template.innerHTML = await getText(`${script.dataset.base}/finds/${encodeURIComponent(details.dataset.finds)}${query}`);
    } catch {
      return;
    }
    const place = details.querySelector('[data-found]');
    if (whole) {
      place.replaceChildren(template.content);
    } else {
      place.querySelector('.finds-rows').replaceWith(template.content.querySelector('.finds-rows'));
    }
  });

  script.addEventListener(
    'toggle',
    (event) => {
      if (event.target.matches('[data-finds]') && event.target.open) {
        load(event.target, true);
      }
    },
    true,
  );
  script.addEventListener('input', (event) => {
    if (event.target.matches('[data-given]')) {
      load(event.target.closest('[data-finds]'), false);
    }
  });
}
