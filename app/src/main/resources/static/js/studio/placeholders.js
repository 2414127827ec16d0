// Completion of {{placeholders}} while typing a text.

/** Offers the variables after "{{" in any text field inside `script`. */
export function placeholders(script, typed) {
  const list = document.createElement('ul');
  list.className = 'completion';
  list.setAttribute('role', 'listbox');
  list.setAttribute('aria-label', 'Variables');
  list.hidden = true;
  document.body.append(list);
  let field = null;
  let current = 0;

  const names = () => [...document.querySelectorAll('#variables option')].map((option) => [option.value, option.textContent]);
  const begun = () => field.value.slice(0, field.selectionStart).match(/\{\{([#^/]?)([a-z0-9_]*)$/);

  function close() {
    list.hidden = true;
    field?.removeAttribute('aria-activedescendant');
    field = null;
  }

  function mark() {
    [...list.children].forEach((li, i) => li.setAttribute('aria-selected', String(i === current)));
    list.children[current]?.scrollIntoView({ block: 'nearest' });
  }

  function show(target) {
    field = target;
    const start = begun();
    const fit = start
      ? names()
          .filter(([name]) => name.startsWith(start[2]))
          .slice(0, 12)
      : [];
    if (fit.length === 0) {
      close();
      return;
    }
    list.replaceChildren(
      ...fit.map(([name, type]) => {
        const li = document.createElement('li');
        li.setAttribute('role', 'option');
        li.dataset.name = name;
        li.textContent = name;
        const note = document.createElement('span');
        note.textContent = type;
        li.append(note);
        li.addEventListener('mousedown', (event) => {
          event.preventDefault();
          take(name);
        });
        return li;
      }),
    );
    current = 0;
    const box = field.getBoundingClientRect();
    list.style.left = `${Math.min(box.left, innerWidth - 260)}px`;
    list.style.top = `${Math.min(box.bottom + 2, innerHeight - 220)}px`;
    list.hidden = false;
    mark();
  }

  function take(name) {
    const start = begun();
    const at = field.selectionStart - start[2].length;
    const rest = field.value.slice(field.selectionStart).replace(/^[a-z0-9_]*\}{0,2}/, '');
    field.value = `${field.value.slice(0, at)}${name}}}${rest}`;
    const end = at + name.length + 2;
    field.setSelectionRange(end, end);
    const done = field;
    close();
    typed(done);
  }

  script.addEventListener('input', (event) => {
    if (event.target.matches('textarea[data-field], input.boxed:not(.code)[data-field]')) {
      show(event.target);
    }
  });
  script.addEventListener('focusout', close);
  script.addEventListener(
    'keydown',
    (event) => {
      if (list.hidden || event.target !== field) {
        return;
      }
      if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        current = (current + (event.key === 'ArrowDown' ? 1 : list.children.length - 1)) % list.children.length;
        mark();
      } else if (event.key === 'Enter' || event.key === 'Tab') {
        take(list.children[current].dataset.name);
      } else if (event.key === 'Escape') {
        close();
      } else {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
    },
    true,
  );
}
