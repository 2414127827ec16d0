// A place of the page that the chat fills, where the page has one; then there is no launcher.

let place = null;

/** Moves into the page's place, if it has one by now; nothing happens while the panel is open already. */
function moveIn() {
  const found = document.querySelector('[data-shuttle]');
  if (place || !found || isOpen()) {
    return;
  }
  place = found;
  if (setup.bots.includes(place.dataset.shuttle)) {
    bot = place.dataset.shuttle;
  }
  dropGreeting();
  launcher.remove();
  host.className = 'inside';
  box.hidden = false;
  place.append(host);
  // Whoever never comes to it has begun no conversation.
  new IntersectionObserver((seen, observer) => {
    if (seen.some(({ isIntersecting }) => isIntersecting)) {
      observer.disconnect();
      fill();
    }
  }).observe(host);
}

function fill() {
  if (!frame) {
    load();
    tellPage('opened');
  }
}

/** Brings the place into sight and the caret into the chat. */
function comeTo() {
  fill();
  host.scrollIntoView({ block: 'nearest' });
  begun.then(() => {
    frame.focus();
    say('shown');
  });
}
