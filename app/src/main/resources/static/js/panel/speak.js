// Speaking up.

function device() {
  const touch = matchMedia('(pointer: coarse)').matches;
  return !touch ? 'desktop' : Math.min(screen.width, screen.height) < 600 ? 'phone' : 'tablet';
}

function pastOf(id) {
  known.cues[id] ??= { visit: 0, times: [], dismissed: 0 };
  return known.cues[id];
}

let asking = Promise.resolve();

/** Something has happened; whether anything comes of it the server says. One is asked for after the other. */
function happened(what, amount = 0, said = '') {
  if (!setup || !(what in setup.watch)) {
    return;
  }
  asking = asking.then(async () => {
    if (what !== 'opened' && (isOpen() || greeting)) {
      return;
    }
    const spoken = await post('moments', {
      what,
      amount,
      said,
      page: location.href,
      referrer: document.referrer,
      campaign: known.campaign ?? '',
      visits: known.visits,
      language: navigator.language,
      device: device(),
      facts: known.facts,
      visitors: Object.fromEntries(
        Object.entries(known.memory)
          .filter(([key]) => key.startsWith(VISITOR))
          .map(([key, id]) => [key.slice(VISITOR.length), id]),
      ),
      past: known.cues,
    });
    if (spoken?.cue) {
      act(spoken);
    }
  });
}

function act(spoken) {
  const past = pastOf(spoken.cue);
  past.visit += 1;
  past.times = [...past.times, Math.floor(Date.now() / 1000)].slice(-MOST_TIMES);
  keep();
  post('counts', { cue: spoken.cue, what: 'shown' });
  if (spoken.opens) {
    post('counts', { cue: spoken.cue, what: 'opened' });
    begin(spoken.flow, spoken.cue, spoken.bot);
  } else if (spoken.greeting && !place) {
    greet(spoken);
  }
}

function greet(spoken) {
  dropGreeting();
  greeting = element('div', `greeting ${setup.side}`);
  greeting.setAttribute('role', 'status');
  greeting.dir = setup.direction;
  const says = element('button', 'says', spoken.greeting);
  const away = element('button', 'away', '×');
  away.setAttribute('aria-label', setup.away);
  says.addEventListener('click', () => {
    post('counts', { cue: spoken.cue, what: 'opened' });
    begin(spoken.flow, spoken.cue, spoken.bot);
  });
  away.addEventListener('click', () => {
    pastOf(spoken.cue).dismissed = Math.floor(Date.now() / 1000);
    keep();
    dropGreeting();
    launcher.focus();
  });
  greeting.append(says, away);
  root.insertBefore(greeting, launcher);
  tellPage('greeted', { cue: spoken.cue });
}

function dropGreeting() {
  greeting?.remove();
  greeting = null;
}

function nameOf(form) {
  return form.getAttribute('name') || form.id || '';
}

/** A form that somebody has begun and then leaves alone for a while is left unfinished. */
function watchForms() {
  const LEFT_ALONE_MS = 15000;
  const begunForms = new Map();
  const leave = (form) => {
    clearTimeout(begunForms.get(form));
    if (begunForms.delete(form)) {
      happened('form_left', 0, nameOf(form));
    }
  };
  document.addEventListener('input', ({ target }) => {
    const form = target.form;
    if (form) {
      clearTimeout(begunForms.get(form));
      begunForms.set(
        form,
        setTimeout(() => leave(form), LEFT_ALONE_MS),
      );
    }
  });
  document.addEventListener('submit', ({ target }) => {
    clearTimeout(begunForms.get(target));
    begunForms.delete(target);
  });
  document.addEventListener('focusout', ({ target, relatedTarget }) => {
    // Leaving the form for something else on the page counts at once; leaving the window does not.
    if (target.form && relatedTarget && !target.form.contains(relatedTarget)) {
      leave(target.form);
    }
  });
  return () => [...begunForms.keys()].forEach(leave);
}

function watch() {
  const leaveForms = 'form_left' in setup.watch ? watchForms() : () => {};
  for (const seconds of setup.watch.stayed ?? []) {
    setTimeout(() => happened('stayed', seconds), seconds * 1000);
  }
  let scrolled = 0;
  const scrolls = [...(setup.watch.scrolled ?? [])];
  if (scrolls.length > 0) {
    addEventListener(
      'scroll',
      () => {
        const page = document.documentElement;
        scrolled = Math.max(scrolled, Math.round((100 * (scrollY + innerHeight)) / page.scrollHeight));
        while (scrolls.length > 0 && scrolls[0] <= scrolled) {
          happened('scrolled', scrolls.shift());
        }
      },
      { passive: true },
    );
  }
  document.addEventListener('mouseout', ({ relatedTarget, clientY }) => {
    if (!relatedTarget && clientY <= 0) {
      leaveForms();
      happened('leaving');
    }
  });
}
