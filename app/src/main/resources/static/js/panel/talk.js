// The chat in its frame.

function say(what, detail = {}) {
  frame?.contentWindow?.postMessage({ shuttle: what, ...detail }, base);
}

function load() {
  bot = bot || (setup.bots.includes(known.bot) ? known.bot : setup.bots[0]);
  frame = document.createElement('iframe');
  frame.src = `${base}/panel/${encodeURIComponent(site)}/${encodeURIComponent(bot)}`;
  frame.title = setup.name;
  frame.allow = 'clipboard-write';
  begun = new Promise((done) => {
    frame.addEventListener('shuttle-ready', done, { once: true });
  });
  box.replaceChildren(frame);
  known.bot = bot;
  keep();
}

const heard = {
  ready() {
    say('begin', {
      memory: known.memory,
      facts: known.facts,
      page: location.href,
      referrer: document.referrer,
      campaign: known.campaign ?? '',
      inside: place !== null,
      ...led,
    });
    led = { flow: '', cue: '' };
    frame.dispatchEvent(new Event('shuttle-ready'));
  },
  remember({ key, value }) {
    if (value === null) {
      delete known.memory[key];
    } else {
      known.memory[key] = value;
    }
    keep();
  },
  news({ many }) {
    tellPage('message', { many });
    if (!isOpen()) {
      unread += many;
      showCount();
    }
  },
  happened({ name, detail }) {
    tellPage(name, detail);
  },
  close,
};

addEventListener('message', ({ source, origin, data }) => {
  if (frame && source === frame.contentWindow && origin === base && Object.hasOwn(heard, data?.shuttle ?? '')) {
    heard[data.shuttle](data);
  }
});

function talking() {
  return Object.keys(known.memory).some((key) => key.startsWith('shuttle-chat-'));
}

function open(quietly) {
  if (setup && place) {
    comeTo();
    return;
  }
  if (!setup || isOpen()) {
    return;
  }
  dropGreeting();
  if (!frame) {
    load();
  }
  box.hidden = false;
  unread = 0;
  known.open = true;
  keep();
  showCount();
  launcher.setAttribute('aria-expanded', 'true');
  fit();
  tellPage('opened');
  if (!quietly) {
    begun.then(() => {
      frame.focus();
      say('shown');
    });
    happened('opened');
  }
}

function close() {
  if (place || !isOpen()) {
    return;
  }
  const inside = root.activeElement === frame;
  box.hidden = true;
  known.open = false;
  keep();
  launcher.setAttribute('aria-expanded', 'false');
  fit();
  if (inside) {
    launcher.focus();
  }
  tellPage('closed');
}

/** Begins a flow, where no conversation is under way yet. */
function begin(flow, cue, of) {
  if (!talking()) {
    led = { flow, cue };
    if (of && of !== bot) {
      bot = of;
      frame = null;
    }
  }
  open();
}
