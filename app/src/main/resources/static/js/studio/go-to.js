import { pick } from './picker.js';

/** Chooses a step or flow to go to from a list. */
export function goTos({ steps, goTo }) {
  return async () => {
    const items = [
      ...steps(''),
      ...[...document.querySelectorAll('#flow-list a[data-flow]')].map((flow) => ({ value: flow.href, label: flow.textContent, note: 'flow' })),
    ];
    const back = document.activeElement;
    const chosen = await pick(document.getElementById('go-to'), 'Go to', items);
    if (chosen?.note === 'flow') {
      location.assign(chosen.value);
    } else if (chosen) {
      goTo(chosen.value);
    } else {
      back?.focus();
    }
  };
}
