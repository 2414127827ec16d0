// What a page may call, and coming in.

window.Shuttle = Object.freeze({
  open: () => open(),
  close: () => close(),
  start: (flow) => begin(String(flow ?? ''), '', ''),
  call: (name) => happened('called', 0, String(name ?? '')),
});

async function enter() {
  try {
    const response = await fetch(`${path}?page=${encodeURIComponent(location.href)}`);
    setup = response.ok ? await response.json() : null;
  } catch {
    setup = null;
  }
  if (!setup?.bot) {
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
  if (talking()) {
    load();
  }
  if (known.open && !PHONE.matches) {
    open(true);
  }
  watch();
}

if (document.body) {
  enter();
} else {
  document.addEventListener('DOMContentLoaded', enter);
}
