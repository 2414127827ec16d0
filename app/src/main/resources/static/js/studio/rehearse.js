// A live conversation with the draft, with its working shown.
import { postJson } from '../web/http.js';
import { inTurn } from '../web/in-turn.js';
import { shown } from '../chat/media.js';
import { option } from '../chat/widgets.js';
import { onPhone } from './phone-look.js';
import { marking } from './marking.js';

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className;
  if (text !== undefined) {
    made.textContent = text;
  }
  return made;
}

/**
 * @param {HTMLElement} dock
 * @param {{beforeTurn: () => Promise<unknown>, nowAt: (step: string) => void}} hooks
 */
export function rehearse(dock, hooks) {
  const talk = dock.querySelector('.talk');
  const form = dock.querySelector('form');
  const input = form.querySelector('input');
  const channel = dock.querySelector('#rehearse-channel');
  const facts = dock.querySelector('[data-facts]');
  let id = null;
  const chosen = (name) => dock.querySelector(`#rehearse-${name}`)?.value ?? '';
  const scene = () => ({ outside: chosen('outside'), day: chosen('day'), channel: chosen('channel') });

  function show(view) {
    talk.querySelectorAll('.offers button').forEach((button) => {
      button.disabled = true;
    });
    if (view.problem) {
      talk.append(element('p', 'why', view.problem));
    }
    view.messages.filter((message) => message.from === 'visitor').forEach(bubble);
    working(view);
    view.messages.filter((message) => message.from !== 'visitor').forEach((message) => bubble(message, view.many));
    talk.querySelector('.go-on')?.remove();
    if (view.waits) {
      const words = { time: 'Let the time pass', signal: 'Bring the signal', file: 'Send a sample file' }[view.waits];
      const go = element('button', 'button go-on', words);
      go.type = 'button';
      go.addEventListener('click', () => tell({ goOn: true }));
      talk.append(go);
    }
    const known = Object.entries(view.variables);
    if (facts) {
      facts.hidden = known.length === 0;
      facts.querySelector('summary').textContent = `Variables (${known.length})`;
      facts.querySelector('dl').replaceChildren(...known.flatMap(([name, value]) => [element('dt', '', name), element('dd', '', value)]));
    }
    hooks.nowAt(view.at);
    talk.scrollTop = talk.scrollHeight;
  }

  function working(view) {
    if (view.trace.length === 0 && view.effects.length === 0 && view.seen.length === 0) {
      return;
    }
    const why = element('div', 'why');
    const clauses = [...view.clauses];
    for (const line of view.trace) {
      const shown = element('div', line.rule === 'outweighed' ? 'outweighed' : '');
      shown.append(element('b', '', line.rule), line.detail ? `: ${line.detail}` : '');
      if (line.rule === 'act' && clauses.length > 0) {
        shown.append(' ', marking(clauses.shift(), mark));
      }
      why.append(shown);
    }
    view.effects.forEach((effect) => why.append(element('div', '', effect)));
    view.seen.forEach((one) => why.append(asked(one)));
    talk.append(why);
  }

  /** What was asked outside, folded around what was sent and what came. */
  function asked(one) {
    const made = element('details', 'asked');
    made.append(element('summary', '', one.what));
    if (one.asked) {
      made.append(element('pre', '', one.asked));
    }
    made.append(element('pre', 'came', one.came));
    return made;
  }

  function bubble(message, many) {
    if (message.phone.length > 0) {
      message.phone.forEach((piece) => talk.append(...onPhone(piece, (pick) => tell({ pick: [pick] }))));
      return;
    }
    const made = element('div', `bubble ${message.from === 'visitor' ? 'visitor' : 'formatted'}`);
    if (message.from === 'visitor') {
      made.textContent = message.text;
    } else {
      made.innerHTML = message.html;
    }
    if (message.media) {
      made.append(
        shown(message.media, () => {
          talk.scrollTop = talk.scrollHeight;
        }),
      );
    }
    if (message.text || message.media) {
      talk.append(made);
    }
    if (message.options.length > 0) {
      const tiles = message.layout === 'tiles';
      const offers = element('div', `offers ${message.layout}`);
      const chosen = new Set();
      let group = '';
      for (const of of message.options) {
        if (message.layout === 'list' && (of.group ?? '') !== group) {
          group = of.group ?? '';
          offers.append(element('p', 'offer-group', group));
        }
        const made = option(of, tiles, () => {
          if (!many) {
            tell({ pick: [of.id] });
            return;
          }
          const on = !chosen.delete(of.id);
          if (on) {
            chosen.add(of.id);
          }
          made.setAttribute('aria-pressed', String(on));
        });
        offers.append(made);
      }
      if (many) {
        const send = element('button', '', 'Send');
        send.type = 'button';
        send.addEventListener('click', () => chosen.size > 0 && tell({ pick: [...chosen] }));
        offers.append(send);
      }
      talk.append(offers);
    }
  }

  const mark = (clause, kind) => postJson(`${dock.dataset.base}/marks`, { rehearsal: id, clause, kind });

  async function call(path, value) {
    talk.setAttribute('aria-busy', 'true');
    try {
      await hooks.beforeTurn();
      const { body } = await postJson(path, value);
      if (body) {
        id = body.rehearsal || id;
        show(body);
      }
    } catch {
      talk.append(element('p', 'why', 'The server could not be reached. Please try again.'));
    }
    talk.removeAttribute('aria-busy');
  }

  // Who types fast sends the second message while the rehearsal still begins with the first.
  const inOrder = inTurn((act) => act());

  async function fromTheStart() {
    talk.replaceChildren();
    await call(dock.dataset.base, scene());
  }

  async function begin() {
    await inOrder(fromTheStart);
    input.focus();
  }

  function tell(what) {
    return inOrder(async () => {
      if (id === null) {
        await fromTheStart();
      }
      await call(`${dock.dataset.base}/turns`, { rehearsal: id, ...scene(), ...what });
    });
  }

  form.addEventListener('submit', (event) => {
    event.preventDefault();
    const text = input.value.trim();
    if (text) {
      input.value = '';
      tell({ text });
    }
  });
  dock.querySelector('[data-begin]').addEventListener('click', begin);
  dock.querySelector('[data-restart]').addEventListener('click', begin);
  channel?.addEventListener('change', begin);
}
