// What a page may call, and coming in.

window.Shuttle = Object.freeze({
  open: () => open(),
  close: () => close(),
  start: (flow) => begin(String(flow ?? ''), '', ''),
  call: (name) => happened('called', 0, String(name ?? '')),
  set: (facts) => set(facts),
  visitor: (token) => identify(token),
});

/** What the page tells of its visitor. */
function set(facts) {
  Object.entries(facts ?? {}).forEach(([name, value]) => {
    known.facts[name] = String(value);
  });
  keep();
  say('facts', { facts: known.facts });
}

/** Who the visitor is, by a token that the website's server has signed; null for nobody any more. Resolves to whether it holds. */
async function identify(token) {
  const answer = token ? await post('visitors', { token: String(token) }) : null;
  const who = answer ? JSON.stringify(answer.visitors) : '';
  if (token && !answer) {
    tellPage('refused');
    return false;
  }
  if (known.who && known.who !== who) {
    forget();
  }
  known.who = who;
  Object.entries(answer?.visitors ?? {}).forEach(([slug, id]) => {
    known.memory[VISITOR + slug] = id;
  });
  keep();
  say('memory', { memory: known.memory });
  return answer !== null;
}

async function enter() {
  try {
    const response = await fetch(`${path}?page=${encodeURIComponent(location.href)}`);
    setup = response.ok ? await response.json() : null;
  } catch {
    setup = null;
  }
  if (!(setup?.bots.length > 0)) {
    setup = null;
    tellPage('absent');
    return;
  }
  draw();
  PHONE.addEventListener('change', fit);
  window.visualViewport?.addEventListener('resize', fit);
  addEventListener('storage', ({ key, newValue }) => {
    if (key === KEY && newValue) {
      Object.assign(known, JSON.parse(newValue));
      say('memory', { memory: known.memory });
    }
  });
  root.addEventListener('keydown', (event) => {
    if (event.key === 'Escape') {
      close();
    }
  });
  tellPage('ready');
  document.addEventListener('DOMContentLoaded', moveIn);
  if (talking() && !place) {
    load();
  }
  if (known.open && !PHONE.matches && !place) {
    open(true);
  }
  watch();
}

if (document.body) {
  enter();
} else {
  document.addEventListener('DOMContentLoaded', enter);
}
