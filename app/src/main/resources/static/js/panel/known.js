// The panel on websites, first part: what is known of the visitor, and talking to the server. The parts are joined to one script
// by the server, within one function, so that a page knows none of their names.

const script = document.currentScript;
const base = new URL(script.src).origin;
const site = script.dataset.site ?? '';
const KEY = `shuttle-${site}`;
/** Where the chat has the website keep who the visitor is to a bot; its address follows. */
const VISITOR = 'shuttle-visitor-';
const PHONE = matchMedia('(max-width: 480px), (max-height: 480px)');
const MOST_TIMES = 100;
const NEW_VISIT_MS = 30 * 60 * 1000;

// What is known of the visitor, in the website's own storage; in memory where that is refused.

function stored() {
  try {
    return JSON.parse(localStorage.getItem(KEY)) ?? {};
  } catch {
    return {};
  }
}
const known = { memory: {}, cues: {}, facts: {}, who: '', visits: 0, lastAt: 0, open: false, ...stored() };

function keep() {
  known.lastAt = Date.now();
  try {
    localStorage.setItem(KEY, JSON.stringify(known));
  } catch {
    // Then it is known as long as this page lives.
  }
}

if (Date.now() - known.lastAt > NEW_VISIT_MS) {
  known.visits += 1;
  known.open = false;
  known.campaign =
    new URLSearchParams(location.search)
      .toString()
      .match(/utm_[^&]*/g)
      ?.join(' ') ?? '';
  Object.values(known.cues).forEach((cue) => {
    cue.visit = 0;
  });
}
keep();

// Talking to the server.

const path = `${base}/api/v1/panel/${encodeURIComponent(site)}`;

async function post(what, body) {
  try {
    // Plain text, so that the browser need not ask beforehand.
    const response = await fetch(`${path}/${what}`, { method: 'POST', body: JSON.stringify(body), keepalive: true });
    return response.status === 200 ? await response.json() : null;
  } catch {
    return null;
  }
}

/** Another visitor, or nobody known any more: what was said before is not theirs. */
function forget() {
  known.memory = {};
  known.bot = undefined;
  known.facts = {};
}

function tellPage(what, detail = {}) {
  document.dispatchEvent(new CustomEvent(`shuttle:${what}`, { detail }));
}
