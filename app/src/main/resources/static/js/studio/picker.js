// A small list to choose from, with a filter, for the keyboard first.

/** The kinds of step that a page names, to choose from. */
export const kindsIn = (listed) =>
  listed.split(';').map((kind) => {
    const [value, label, note] = kind.split('|');
    return { value, label, note };
  });

/**
 * Opens a list at an element and resolves to the chosen item, or null.
 * @param {Element} at
 * @param {string} label for screen readers
 * @param {{value: string, label: string, note?: string}[]} items
 */
export function pick(at, label, items) {
  return new Promise((resolve) => {
    const box = document.createElement('div');
    box.className = 'picker';
    const input = document.createElement('input');
    const list = document.createElement('ul');
    const id = `picker-${Date.now()}`;
    list.id = id;
    list.setAttribute('role', 'listbox');
    list.setAttribute('aria-label', label);
    input.setAttribute('role', 'combobox');
    input.setAttribute('aria-label', label);
    input.setAttribute('aria-expanded', 'true');
    input.setAttribute('aria-controls', id);
    input.setAttribute('autocomplete', 'off');
    input.placeholder = label;
    box.append(input, list);
    document.body.append(box);
    const where = at.getBoundingClientRect();
    box.style.left = `${Math.max(8, Math.min(where.left, innerWidth - 336))}px`;
    box.style.top = `${Math.max(8, Math.min(where.bottom + 4, innerHeight - 330))}px`;
    let shown = [];
    let current = 0;
    let done = false;

    const close = (item) => {
      if (!done) {
        done = true;
        box.remove();
        resolve(item);
      }
    };
    const mark = () => {
      [...list.children].forEach((li, i) => li.setAttribute('aria-selected', String(i === current)));
      const active = list.children[current];
      if (active) {
        input.setAttribute('aria-activedescendant', active.id);
        active.scrollIntoView({ block: 'nearest' });
      }
    };
    const fill = () => {
      const wanted = input.value.trim().toLowerCase();
      shown = items.filter((item) => `${item.label} ${item.note ?? ''}`.toLowerCase().includes(wanted));
      current = 0;
      list.replaceChildren(
        ...shown.map((item, i) => {
          const li = document.createElement('li');
          li.id = `${id}-${i}`;
          li.setAttribute('role', 'option');
          const name = document.createElement('b');
          name.style.fontWeight = '500';
          name.textContent = item.label;
          const note = document.createElement('span');
          note.textContent = item.note ?? '';
          li.append(name, note);
          li.addEventListener('pointerdown', (event) => {
            event.preventDefault();
            close(item);
          });
          return li;
        }),
      );
      mark();
    };
    input.addEventListener('input', fill);
    input.addEventListener('blur', () => close(null));
    input.addEventListener('keydown', (event) => {
      if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        event.preventDefault();
        const step = event.key === 'ArrowDown' ? 1 : -1;
        current = (current + step + shown.length) % Math.max(1, shown.length);
        mark();
      } else if (event.key === 'Enter' || (event.key === 'Tab' && shown.length === 1)) {
        event.preventDefault();
        close(shown[current] ?? null);
      } else if (event.key === 'Escape') {
        event.preventDefault();
        close(null);
      }
      event.stopPropagation();
    });
    fill();
    input.focus();
  });
}
