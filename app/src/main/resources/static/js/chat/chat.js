// The visitor's page: one conversation, kept across reloads and shared by the visitor's tabs.
import { articlePanel } from './article-panel.js';
import { alone, arrival, heed, memory, settled, tellSite } from './memory.js';
import { copies } from './copy.js';
import { follow } from '../web/sse.js';
import { shown } from './media.js';
import { fitTextBox, showWidgets } from './widgets.js';
import { unsent } from './unsent.js';
import { word } from './words.js';

const chat = document.getElementById('chat');
const log = document.getElementById('log');
const transcript = document.getElementById('transcript');
const offers = document.getElementById('offers');
const form = document.getElementById('form');
const text = document.getElementById('text');
const problem = document.getElementById('problem');
const api = chat.dataset.api;
const KEY = `shuttle-chat-${chat.dataset.bot}`;

let session = null;
let last = 0;
let stream = null;
let draft = null;
let pulling = Promise.resolve();
let offered = '';
let underway = 0;
/** What was pressed while something was underway; null for nothing. */
let pressed = null;
/** Whether the visitor pressed Enter before the conversation had begun. */
let early = false;

const read = () => JSON.parse(memory.get(KEY) ?? 'null');
const kept = unsent(text, `shuttle-typed-${chat.dataset.bot}`, () => (session ?? read())?.conversation ?? '');
const authorized = () => ({ Authorization: `Bearer ${session.token}` });

function tell(sentence) {
  problem.textContent = sentence ?? '';
  problem.hidden = !sentence;
}

function bubble(message) {
  const made = document.createElement('div');
  made.className = `bubble ${message.from}`;
  const who = document.createElement('span');
  if (message.from === 'agent') {
    who.className = 'author';
    who.textContent = message.author;
  } else {
    who.className = 'unseen';
    who.textContent = message.from === 'visitor' ? `${word('You')}: ` : `${document.title}: `;
  }
  const body = document.createElement('div');
  if (message.from === 'visitor') {
    body.textContent = message.text;
  } else {
    made.classList.add('formatted');
    body.innerHTML = message.html;
  }
  made.append(who, body);
  if (message.media) {
    made.append(
      shown(message.media, () => {
        log.scrollTop = log.scrollHeight;
      }),
    );
  }
  return made;
}

/** How long the bot takes to type a text, in milliseconds. */
function pace(text) {
  const letters = Number(chat.dataset.letters);
  return letters > 0 ? Math.min(4000, (text.length * 1000) / letters) : 0;
}

/** Adds messages to the transcript; while the visitor looks on, the bot seems to type those that say so. */
async function reveal(messages, looksOn) {
  for (const message of messages) {
    const typing = message.typing || (message.from === 'bot' ? pace(message.text) : 0);
    if (looksOn && typing > 0) {
      const dots = document.createElement('div');
      dots.className = 'bubble typing-dots';
      dots.setAttribute('aria-hidden', 'true');
      dots.append(...[1, 2, 3].map(() => document.createElement('i')));
      transcript.append(dots);
      log.scrollTop = log.scrollHeight;
      await new Promise((over) => {
        setTimeout(over, typing);
      });
      dots.remove();
    }
    transcript.append(bubble(message));
    log.scrollTop = log.scrollHeight;
  }
}

function showOffers(awaiting) {
  const key = JSON.stringify(awaiting ?? null);
  if (key !== offered) {
    offered = key;
    showWidgets(offers, awaiting, {
      pick: (ids, shown) => {
        if (underway === 0) {
          send({ pick: ids }, shown);
        } else {
          pressed = { ids, shown, among: key };
        }
      },
      say: (said) => send({ text: said }, awaiting.type === 'secret' ? '•••••' : said),
      send: sendFile,
      times: async () => {
        const response = await fetch(`${api}/conversations/${session.conversation}/times`, { headers: authorized() });
        if (!response.ok) {
          throw new Error(`answered ${response.status}`);
        }
        return response.json();
      },
    });
  }
}

function showEnd(ended) {
  log.querySelector('.ended')?.remove();
  if (ended) {
    const end = document.createElement('div');
    end.className = 'ended';
    const over = document.createElement('p');
    over.textContent = word('This conversation has ended.');
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'button';
    button.textContent = word('Start a new conversation');
    button.addEventListener('click', again);
    end.append(over, button);
    log.append(end);
  }
}

/** What the conversation has come to is told to the website, once. */
let reached = [];
function happened(news, looksOn) {
  const all = [...(news.reached?.milestones ?? []).map((name) => ['milestone', { name }]), ...(news.reached?.lead ? [['lead', {}]] : [])];
  if (looksOn) {
    all.slice(reached.length).forEach(([name, detail]) => tellSite('happened', { name, detail }));
  }
  reached = all;
}

/** Fetches what is new and shows it; calls follow one another. */
function pull() {
  pulling = pulling
    .then(async () => {
      const response = await fetch(`${api}/conversations/${session.conversation}/messages?after=${last}&reached=true`, { headers: authorized() });
      if (!response.ok) {
        throw new Error(`answered ${response.status}`);
      }
      const news = await response.json();
      const fresh = news.messages.filter((message) => message.seq > last);
      if (fresh.length > 0) {
        transcript.querySelectorAll('.sending').forEach((sending) => sending.remove());
        const looksOn = last > 0;
        happened(news, looksOn);
        last = fresh.at(-1).seq;
        await reveal(fresh, looksOn);
        if (looksOn) {
          tellSite('news', { many: fresh.filter((message) => message.from !== 'visitor').length });
        }
      }
      showOffers(news.awaiting);
      fitTextBox(form, text, news.awaiting, news.ended);
      showEnd(news.ended);
      log.scrollTop = log.scrollHeight;
    })
    .catch(() => {});
  return pulling;
}

/** Where the name is kept that ties this visitor's conversations with this bot together; the server makes and signs it. */
const VISITOR = `shuttle-visitor-${chat.dataset.bot}`;

async function begin() {
  const response = await fetch(`${api}/${chat.dataset.bot}/conversations`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      page: arrival.page,
      channel: 'web',
      visitor: memory.get(VISITOR) ?? '',
      flow: arrival.flow,
      cue: arrival.cue || null,
      facts: arrival.facts,
      referrer: arrival.referrer,
      campaign: arrival.campaign,
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    }),
  });
  if (!response.ok) {
    const why = await response.json().catch(() => ({}));
    throw new Error(why.detail ?? word('The conversation could not be started. Please try again in a moment.'));
  }
  const { conversation, token, visitor } = await response.json();
  memory.set(VISITOR, visitor);
  memory.set(KEY, JSON.stringify({ conversation, token }));
}

/** Takes up the conversation this visitor has, or begins one; two tabs opened at once begin only one. */
async function enter() {
  await alone(KEY, async () => {
    session = read();
    if (session) {
      const known = await fetch(`${api}/conversations/${session.conversation}/messages?after=0`, { headers: authorized() });
      if (known.status === 401 || known.status === 404) {
        session = null;
      }
    }
    if (!session) {
      await begin();
      session = read();
    }
  });
  stream?.abort();
  stream = new AbortController();
  last = 0;
  offered = '';
  transcript.replaceChildren();
  await pull();
  follow(`${api}/conversations/${session.conversation}/stream`, () => ({ ...authorized(), 'Last-Event-ID': String(last) }), pull, stream.signal);
}

async function again() {
  memory.remove(KEY);
  await start();
  text.focus();
}

async function start() {
  tell();
  try {
    await enter();
    if (early) {
      early = false;
      form.requestSubmit();
    }
  } catch (error) {
    tell(error instanceof TypeError ? word('There is no connection. Please reload the page.') : error.message);
  }
}

/** A press while something is underway is taken up afterwards, where the same is still offered then. */
function waiting(more) {
  underway += more;
  offers.classList.toggle('waiting', underway > 0);
  if (underway === 0 && pressed) {
    const { ids, shown, among } = pressed;
    pressed = null;
    if (among === offered) {
      send({ pick: ids }, shown);
    }
  }
}

async function send(what, shown) {
  tell();
  const same = draft && draft.shown === shown;
  draft = same ? draft : { shown, id: crypto.randomUUID() };
  const sending = bubble({ from: 'visitor', text: shown });
  sending.classList.add('sending');
  transcript.append(sending);
  log.scrollTop = log.scrollHeight;
  waiting(1);
  try {
    const response = await fetch(`${api}/conversations/${session.conversation}/messages`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...authorized() },
      body: JSON.stringify({ clientMessageId: draft.id, ...what }),
    });
    if (!response.ok) {
      const why = await response.json().catch(() => ({}));
      throw new Error(why.detail ?? word('That could not be sent. Please try again.'));
    }
    draft = null;
    await pull();
  } catch (error) {
    sending.remove();
    if (what.text) {
      text.value = what.text;
      kept.note();
    }
    tell(error instanceof TypeError ? word('There is no connection. What you wrote is still here; please send it again.') : error.message);
    await pull();
  }
  waiting(-1);
}

async function sendFile(file) {
  tell();
  const body = new FormData();
  body.append('file', file);
  body.append('clientMessageId', crypto.randomUUID());
  offers.setAttribute('aria-busy', 'true');
  try {
    const response = await fetch(`${api}/conversations/${session.conversation}/files`, { method: 'POST', headers: authorized(), body });
    if (!response.ok) {
      const why = await response.json().catch(() => ({}));
      throw new Error(why.detail ?? word('The file could not be sent. It may be too large.'));
    }
    await pull();
  } catch (error) {
    tell(error instanceof TypeError ? word('The file could not be sent: it may be too large, or there is no connection.') : error.message);
  }
  offers.removeAttribute('aria-busy');
}

form.addEventListener('submit', (event) => {
  event.preventDefault();
  const typed = text.value.trim();
  if (typed && session) {
    text.value = '';
    kept.drop();
    send({ text: typed }, typed);
  } else {
    early = typed !== '';
  }
});

text.addEventListener('keydown', (event) => {
  if (event.key === 'Enter' && !event.shiftKey && !event.isComposing) {
    event.preventDefault();
    form.requestSubmit();
  }
});

document.getElementById('again').addEventListener('click', again);
copies(document.getElementById('copy'), async () => {
  const response = await fetch(`${api}/conversations/${session.conversation}/messages?after=0`, { headers: authorized() });
  return response.json();
});
articlePanel(document.getElementById('article-panel'), document.getElementById('log'));

document.getElementById('close')?.addEventListener('click', () => tellSite('close'));
addEventListener('keydown', (event) => {
  if (event.key === 'Escape' && !document.querySelector('dialog[open]')) {
    tellSite('close');
  }
});
heed('begin', ({ inside }) => {
  document.getElementById('close')?.toggleAttribute('hidden', inside === true);
});
heed('shown', () => text.focus());
heed('facts', ({ facts }) => {
  arrival.facts = facts;
  if (session) {
    fetch(`${api}/conversations/${session.conversation}/facts`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...authorized() },
      body: JSON.stringify({ facts }),
    }).catch(() => {});
  }
});
heed('memory', () => {
  if (read()?.conversation !== session?.conversation) {
    start();
  }
});

// Another tab of the same visitor began anew.
addEventListener('storage', (event) => {
  if (event.key === KEY && event.newValue && JSON.parse(event.newValue).conversation !== session?.conversation) {
    start();
  }
});

settled.then(() => {
  kept.bringBack();
  return start();
});
