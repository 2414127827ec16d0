// Others who have the same flow open: who they are, where they are, and what they changed.
import { postJson } from '../web/http.js';
import { follow } from '../web/sse.js';

const SAY_SO_MS = 15000;

function whoIsHere(names) {
  const others = names.filter((name) => name !== document.querySelector('.bar .person').textContent);
  if (others.length > 0) {
    return `${others.join(', ')} ${others.length === 1 ? 'is' : 'are'} here too`;
  }
  return names.length > 0 ? 'Open in another window of yours' : '';
}

/**
 * @param {{base: string, page: string, rows: () => Element, refresh: () => Promise<void>, list: Element}} it
 */
export function together(it) {
  let step = '';
  let edits = null;
  const tell = async (leaving = false) => {
    try {
      const { body } = await postJson(`${it.base}/here`, { page: it.page, step, leaving });
      if (body && !leaving) {
        show(body);
      }
    } catch {
      // The line that tells of saving tells of a lost connection too.
    }
  };

  function show(news) {
    const others = news.here.filter((companion) => companion.page !== it.page);
    it.list.textContent = whoIsHere([...new Set(others.map((other) => other.name))]);
    it.rows()
      .querySelectorAll('.companion')
      .forEach((chip) => chip.remove());
    for (const other of others) {
      const row = other.step && it.rows().querySelector(`.row[data-step="${CSS.escape(other.step)}"]`);
      if (row) {
        const chip = document.createElement('span');
        chip.className = 'companion';
        chip.textContent = other.name;
        chip.title = `${other.name} is working at this step`;
        row.append(chip);
      }
    }
    const changed = edits !== null && news.edits > edits && news.by !== it.page;
    edits = news.edits;
    if (changed) {
      it.refresh();
    }
  }

  follow(
    `${it.base}/stream`,
    () => ({}),
    () => tell(),
  );
  setInterval(() => tell(), SAY_SO_MS);
  addEventListener('pagehide', () => tell(true));
  return {
    at: (now) => {
      if (now !== step) {
        step = now;
        tell();
      }
    },
  };
}
