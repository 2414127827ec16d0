// Finding and replacing a text in all flows of a bot.
import { postJson } from '../web/http.js';

const WAIT_MS = 250;

/**
 * @param {HTMLDialogElement} box
 * @param {{bot: string, flow: string, flush: () => Promise<void>, goTo: (step: string) => void, replaced: (words: string) => void}} it
 */
export function find(box, it) {
  const form = box.querySelector('form');
  const list = box.querySelector('[data-found]');
  const told = box.querySelector('[data-told]');
  let timer = 0;
  let asked = 0;

  async function search() {
    const text = form.elements.find.value;
    asked += 1;
    const mine = asked;
    await it.flush();
    const query = new URLSearchParams({ text, matchCase: form.elements.matchCase.checked });
    const places = text.trim() === '' ? [] : await (await fetch(`${it.bot}/find?${query}`)).json();
    if (mine !== asked) {
      return;
    }
    told.textContent = text.trim() === '' ? '' : `${places.length === 300 ? 'The first 300' : places.length} ${places.length === 1 ? 'place' : 'places'}`;
    form.elements.all.disabled = places.length === 0;
    list.replaceChildren(
      ...places.map((place) => {
        const item = document.createElement('li');
        const link = document.createElement('a');
        link.href = place.flow === it.flow ? `#${place.found.step}` : `${it.bot}/flows/${place.flow}#${place.found.step}`;
        const where = document.createElement('span');
        where.className = 'hint';
        where.textContent = `${place.flow === it.flow ? '' : `${place.flowName}: `}${place.found.name}, ${place.found.where}`;
        const match = document.createElement('mark');
        match.textContent = place.found.match;
        const line = document.createElement('span');
        line.append(place.found.before, match, place.found.after);
        link.append(line, where);
        link.addEventListener('click', (event) => {
          if (place.flow === it.flow) {
            event.preventDefault();
            box.close();
            it.goTo(place.found.step);
          }
        });
        item.append(link);
        return item;
      }),
    );
  }

  form.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(search, WAIT_MS);
  });
  form.addEventListener('submit', async (event) => {
    event.preventDefault();
    if (event.submitter?.name !== 'all') {
      await search();
      return;
    }
    await it.flush();
    const { body } = await postJson(`${it.bot}/replace`, {
      find: form.elements.find.value,
      with: form.elements.with.value,
      matchCase: form.elements.matchCase.checked,
    });
    told.textContent = body?.refused ?? body?.words ?? 'Nothing was replaced: the server had a problem.';
    it.replaced(body?.words ?? '');
    list.replaceChildren();
    form.elements.all.disabled = true;
  });
  return {
    open() {
      box.showModal();
      form.elements.find.select();
    },
  };
}
