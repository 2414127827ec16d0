// What the visitor's page must know again: kept by the browser, or, in a frame, by the website around it, since browsers
// keep nothing for frames of others. The website is talked to only where it is one of the bot's own.

const chat = document.getElementById('chat');
const origins = (chat.dataset.origins ?? '').split(' ').filter(Boolean);
const framed = origins.length > 0 && window.parent !== window;
const known = new Map();
let origin = '';
const hearers = new Map();

/** The words of the campaign in the address, if any. */
const campaign = () =>
  new URLSearchParams(location.search)
    .toString()
    .match(/utm_[^&]*/g)
    ?.join(' ') ?? '';

/** Where the visitor is, and what they were led here by. */
export const arrival = { page: document.referrer || location.href, flow: '', cue: '', facts: {}, referrer: document.referrer, campaign: campaign() };

/** What of a message tells how the visitor came. */
const told = (data) => Object.fromEntries(Object.keys(arrival).flatMap((name) => (data[name] === undefined ? [] : [[name, data[name]]])));

/** Tells the website around; nobody where there is none. */
export function tellSite(what, detail = {}) {
  if (origin) {
    window.parent.postMessage({ shuttle: what, ...detail }, origin);
  }
}

/** Has something done when the website says so. */
export function heed(what, act) {
  hearers.set(what, act);
}

/** Resolves when it is known what there is to know. */
export const settled = framed
  ? new Promise((done) => {
      addEventListener('message', ({ source, data, origin: from }) => {
        if (source !== window.parent || !origins.includes(from) || !data?.shuttle) {
          return;
        }
        origin = from;
        if (data.shuttle === 'begin' || data.shuttle === 'memory') {
          known.clear();
          Object.entries(data.memory ?? {}).forEach(([key, value]) => known.set(key, value));
        }
        if (data.shuttle === 'begin') {
          Object.assign(arrival, { page: '', flow: '', cue: '', facts: {}, referrer: '', campaign: '' }, told(data));
          hearers.get('begin')?.(data);
          done();
        } else {
          hearers.get(data.shuttle)?.(data);
        }
      });
      window.parent.postMessage({ shuttle: 'ready' }, '*');
    })
  : Promise.resolve();

export const memory = {
  get(key) {
    return (framed ? known.get(key) : localStorage.getItem(key)) ?? null;
  },
  set(key, value) {
    if (framed) {
      known.set(key, value);
      tellSite('remember', { key, value });
    } else {
      localStorage.setItem(key, value);
    }
  },
  remove(key) {
    if (framed) {
      known.delete(key);
      tellSite('remember', { key, value: null });
    } else {
      localStorage.removeItem(key);
    }
  },
};

/** What the browser keeps for this frame alone, within this website; nothing where it refuses to. */
export const ownMemory = {
  get(key) {
    try {
      return localStorage.getItem(key);
    } catch {
      return null;
    }
  },
  set(key, value) {
    try {
      localStorage.setItem(key, value);
    } catch {
      // Then the website around is all there is.
    }
  },
};

/** Does something while nobody else of this visitor's does it, as far as the browser can tell. */
export async function alone(name, act) {
  try {
    return await navigator.locks.request(name, act);
  } catch (error) {
    if (error.name !== 'SecurityError') {
      throw error;
    }
    return act();
  }
}
