// Exchanges the rows of a script for those of the server, and leaves in place every row that is still the same: its elements
// are neither drawn anew nor lose the caret.

/** What each row's inside was when it came. */
const came = new WeakMap();

/** Notes the rows of a page as they came. */
export function noteRows(root) {
  root.querySelectorAll('.row').forEach((row) => came.set(row, row.innerHTML));
}

function copyAttributes(to, from, kept = '') {
  [...to.attributes].filter(({ name }) => name !== kept && !from.hasAttribute(name)).forEach(({ name }) => to.removeAttribute(name));
  [...from.attributes].filter(({ name, value }) => to.getAttribute(name) !== value).forEach(({ name, value }) => to.setAttribute(name, value));
}

/** The row to be shown: that of before, where nothing of it has changed, else the one that came. */
function rowFor(fresh, before) {
  const inside = fresh.innerHTML;
  if (before && before.dataset.changed === undefined && came.get(before) === inside) {
    copyAttributes(before, fresh, 'data-whole');
    before.querySelectorAll('.field-problem, .clash, .companion').forEach((told) => told.remove());
    return before;
  }
  came.set(fresh, inside);
  return fresh;
}

/** Puts children into a parent in their order, moving as few as it can; what else is there goes. */
function place(parent, children, first) {
  const wanted = new Set(children);
  let at = first;
  for (const child of children) {
    while (at && !wanted.has(at)) {
      const gone = at;
      at = at.nextElementSibling;
      gone.remove();
    }
    if (at === child) {
      at = at.nextElementSibling;
    } else {
      parent.insertBefore(child, at);
    }
  }
  while (at) {
    const gone = at;
    at = at.nextElementSibling;
    gone.remove();
  }
}

/** @param {Element} root the rows @param {string} html what the server sends in their place */
export function exchangeRows(root, html) {
  const template = document.createElement('template');
  template.innerHTML = html;
  const fresh = template.content.querySelector('.rows');
  const before = new Map([...root.querySelectorAll('.row')].map((row) => [row.dataset.step, row]));
  const sections = new Map([...root.querySelectorAll('.part')].map((part) => [part.dataset.section, part]));
  const children = [...fresh.children]
    .filter((child) => !child.matches('svg'))
    .map((child) => {
      const there = child.matches('.part') ? sections.get(child.dataset.section) : null;
      const rows = [...child.querySelectorAll(':scope > .row')].map((row) => rowFor(row, before.get(row.dataset.step)));
      const part = there ?? child;
      const head = child.querySelector(':scope > .part-head');
      if (there) {
        copyAttributes(there, child);
      }
      if (child.matches('.part')) {
        place(part, head ? [head, ...rows] : rows, part.firstElementChild);
      }
      return part;
    });
  copyAttributes(root, fresh, 'style');
  delete root.layout;
  place(root, children, root.querySelector(':scope > .threads').nextElementSibling);
}

const CONTROLS = 'input, textarea, select, button, summary, a[href]';

/** What a control is told by: fields by their name, others by what they are without their inside. */
const signature = (control) => control.dataset.field ?? control.cloneNode(false).outerHTML;

const alike = (row, sign) => [...row.querySelectorAll(CONTROLS)].filter((control) => signature(control) === sign);

/** What finds a control of a row again after its row was exchanged. */
export function markOf(control) {
  const sign = signature(control);
  return { sign, nth: alike(control.closest('.row'), sign).indexOf(control) };
}

/** @returns {Element|undefined} the control of a row that was marked, or the field asked for */
export function controlIn(row, { mark, field }) {
  const all = alike(row, mark?.sign ?? field);
  return all[mark?.nth] ?? all[0];
}
