// What stands in the way of an edit, told in its row.

/** Shows why an edit was refused, or takes that away. */
export function complain(row, text) {
  row?.querySelector('.field-problem')?.remove();
  if (row && text) {
    const note = document.createElement('p');
    note.className = 'field-problem';
    note.setAttribute('role', 'alert');
    note.textContent = text;
    row.querySelector('.body').prepend(note);
  }
}

/**
 * Shows both texts where somebody else wrote in the same place meanwhile.
 * @param {Element} field
 * @param {string} theirs
 * @param {() => void} keep sends the field's text again
 */
export function clash(field, theirs, keep) {
  const row = field.closest('.row');
  row.querySelector('.clash')?.remove();
  const box = document.createElement('div');
  box.className = 'clash';
  box.setAttribute('role', 'alert');
  const said = document.createElement('p');
  const text = document.createElement('q');
  text.textContent = theirs;
  said.append('Somebody else wrote here meanwhile: ', text);
  const choose = (label, act) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'button';
    button.textContent = label;
    button.addEventListener('click', () => {
      box.remove();
      field.dataset.known = theirs;
      act();
      field.focus();
    });
    return button;
  };
  box.append(
    said,
    choose('Keep mine', keep),
    choose('Take theirs', () => {
      field.value = theirs;
    }),
  );
  row.querySelector('.body').prepend(box);
}
