// What a clause of a message does, said by hand where it was taken wrongly.

/**
 * A button that becomes a list of what a clause may do.
 *
 * @param {{key: number, words: string, kind: string}} clause
 * @param {(key: number, kind: string) => Promise<{body: {problem: string, does: string} | null}>} mark keeps what was said
 */
export function marking(clause, mark) {
  const place = document.createElement('span');
  place.className = 'marking';
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'mini';
  button.textContent = 'Not so?';
  button.title = `Say what “${clause.words}” does`;
  button.addEventListener('click', () => place.replaceChildren(list(clause, place, mark)));
  place.append(button);
  return place;
}

function list(clause, place, mark) {
  const select = document.createElement('select');
  select.setAttribute('aria-label', `What “${clause.words}” does`);
  select.append(new Option('it rather …', ''));
  select.append(document.querySelector('#what-clauses-do').content.cloneNode(true));
  select.querySelector(`[value="${clause.kind}"]`)?.remove();
  select.addEventListener('change', async () => {
    try {
      const { body } = await mark(clause.key, select.value);
      place.replaceChildren(told(body.problem || `Marked: ${body.does}. Said again, it is heard so.`));
    } catch {
      place.replaceChildren(told('The server could not be reached. Please try again.'));
    }
  });
  queueMicrotask(() => select.focus());
  return select;
}

function told(words) {
  const said = document.createElement('em');
  said.setAttribute('role', 'status');
  said.textContent = words;
  return said;
}
