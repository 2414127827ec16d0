/* A service as it is written: more rows, and values of a real reply that become outputs. */

import '../web/ready.js';

/** A row like the last one of its list, empty and with the next number. */
function another(rows) {
  const lines = rows.querySelectorAll('.line');
  const last = lines[lines.length - 1];
  const line = last.cloneNode(true);
  line.querySelectorAll('.field-error').forEach((error) => error.remove());
  line.querySelectorAll('[name]').forEach((field) => {
    field.name = field.name.replace(/\.\d+\./, `.${lines.length}.`);
    if (field.type === 'checkbox') {
      field.checked = false;
    } else if (field.tagName === 'SELECT') {
      field.selectedIndex = 0;
    } else {
      field.value = '';
    }
  });
  last.after(line);
  return line;
}

function part(line, name) {
  return line.querySelector(`[name$=".${name}"]`);
}

function isBlank(line) {
  return !part(line, 'key').value && !part(line, 'pointer').value;
}

/** A name that no output has yet. */
function free(rows, wanted) {
  const taken = [...rows.querySelectorAll('[name$=".key"]')].map((field) => field.value);
  let name = wanted || 'value';
  for (let n = 2; taken.includes(name); n++) {
    name = `${wanted}_${n}`;
  }
  return name;
}

function take(button) {
  const rows = document.querySelector('.rows[data-list="output"]');
  const lines = [...rows.querySelectorAll('.line')];
  const line = lines.find(isBlank) ?? another(rows);
  part(line, 'key').value = free(rows, button.dataset.name);
  part(line, 'kind').value = button.dataset.kind;
  part(line, 'pointer').value = button.dataset.pointer;
  part(line, 'example').value = button.dataset.value;
  button.disabled = true;
  line.scrollIntoView({ block: 'center' });
  part(line, 'key').focus();
}

function showBody() {
  document.getElementById('body-field').hidden = document.getElementById('form').value === 'none';
}

document.addEventListener('click', (event) => {
  const more = event.target.closest('.another');
  if (more) {
    another(more.closest('.rows')).querySelector('input:not([type="hidden"])').focus();
  }
  const leaf = event.target.closest('.take');
  if (leaf) {
    take(leaf);
  }
});
document.getElementById('form').addEventListener('change', showBody);
showBody();
