// The dock beside a script or map: its tabs, the history and the notes.
import { getText, postJson } from '../web/http.js';

/**
 * @param {Element} dock
 * @param {{base: string, goTo: (step: string) => void, changed: () => void}} it
 */
export function dock(dockElement, it) {
  const tabs = [...dockElement.querySelectorAll('[role="tab"]')];
  const panel = (name) => document.getElementById(`dock-${name}`);

  async function load(name) {
    if (name !== 'rehearse') {
      panel(name).innerHTML = await getText(`${it.base}/${name}`);
    }
  }

  function show(name) {
    for (const tab of tabs) {
      const own = tab.dataset.tab === name;
      tab.setAttribute('aria-selected', String(own));
      tab.tabIndex = own ? 0 : -1;
      panel(tab.dataset.tab).hidden = !own;
    }
    return load(name);
  }

  dockElement.querySelector('[role="tablist"]').addEventListener('click', (event) => {
    const tab = event.target.closest('[role="tab"]');
    if (tab) {
      show(tab.dataset.tab);
    }
  });
  dockElement.querySelector('[role="tablist"]').addEventListener('keydown', (event) => {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const at = tabs.indexOf(event.target);
    if (by && at >= 0) {
      const next = tabs[(at + by + tabs.length) % tabs.length];
      next.focus();
      show(next.dataset.tab);
    }
  });

  dockElement.addEventListener('click', async (event) => {
    const go = event.target.closest('[data-go]');
    const settle = event.target.closest('[data-settle]');
    const more = event.target.closest('[data-page]');
    if (go) {
      it.goTo(go.dataset.go);
    } else if (settle) {
      await postJson(`${it.base}/notes/${settle.dataset.settle}`, { settled: settle.dataset.settled === 'true' });
      await load('notes');
      it.changed();
    } else if (more) {
      panel('history').innerHTML = await getText(`${it.base}/history?page=${more.dataset.page}`);
    }
  });

  dockElement.addEventListener('change', (event) => {
    if (event.target.matches('[data-point]')) {
      const picked = [...dockElement.querySelectorAll('[data-point]:checked')];
      const link = dockElement.querySelector('[data-compare]');
      link.hidden = picked.length !== 2;
      if (picked.length > 2) {
        picked.find((box) => box !== event.target).checked = false;
        link.hidden = false;
      }
      const [to, from] = [...dockElement.querySelectorAll('[data-point]:checked')].map((box) => box.value);
      link.href = `${it.base}/compare?from=${from}&to=${to}`;
    }
  });

  dockElement.addEventListener('submit', async (event) => {
    const form = event.target.closest('[data-note-form]');
    if (!form) {
      return;
    }
    event.preventDefault();
    const { status, body } = await postJson(`${it.base}/notes`, { step: form.dataset.step, text: form.elements.text.value });
    if (status === 200) {
      await load('notes');
      it.changed();
    } else {
      form.querySelector('.field-error').textContent = body?.refused ?? 'The note could not be kept.';
    }
  });

  return {
    show,
    /** Begins a note on a step. */
    async note(step, name) {
      await show('notes');
      const form = dockElement.querySelector('[data-note-form]');
      form.hidden = false;
      form.dataset.step = step;
      form.querySelector('[data-note-name]').textContent = name;
      form.elements.text.focus();
    },
  };
}
