// What a clause of a message does, said by hand where it was taken wrongly.

/** What a clause may be said to do, as the rest of the sentence "this …". */
const KINDS = [
  ['answer', 'answers the question'],
  ['tell', 'tells something else that is wanted'],
  ['agree', 'says yes'],
  ['deny', 'says no'],
  ['correct', 'corrects something said before'],
  ['knowledge', 'asks about the matter'],
  ['this-question', 'asks about the question'],
  ['person', 'wants a person'],
  ['back', 'wants to go back'],
  ['change', 'wants to change something'],
  ['recap', 'wants to hear what is noted'],
  ['restart', 'wants to start over'],
  ['stop', 'wants to stop'],
  ['booking', 'is about what is booked'],
  ['refuse', 'will not say'],
  ['not-yet', 'does not know yet'],
  ['any', 'does not mind'],
  ['chat', 'is small talk'],
  ['mention', 'only mentions it'],
];

/**
 * A button that becomes a list of what a clause may do.
 *
 * @param {{key: number, words: string, kind: string}} clause
 * @param {(key: number, kind: string) => Promise<{body: {problem: string} | null}>} mark keeps what was said
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
  KINDS.filter(([kind]) => kind !== clause.kind).forEach(([kind, words]) => select.append(new Option(words, kind)));
  select.addEventListener('change', async () => {
    const words = select.selectedOptions[0].textContent;
    try {
      const { body } = await mark(clause.key, select.value);
      place.replaceChildren(told(body?.problem || `Marked: ${words}. Said again, it is heard so.`));
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
