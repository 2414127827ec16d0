// Shows how far the reading of new texts is, and goes on to the collection when it is done.
import '../web/ready.js';

const AGAIN_MS = 700;
const place = document.getElementById('reading');
const bar = place.querySelector('progress');
const told = place.querySelector('[data-told]');

async function look() {
  try {
    const response = await fetch(place.dataset.state, { headers: { Accept: 'application/json' } });
    if (response.status === 204) {
      location.assign(place.dataset.then);
      return;
    }
    const { done, of } = await response.json();
    if (of > 0) {
      bar.max = of;
      bar.value = done;
      told.textContent = `${done} of ${of}`;
    }
  } catch {
    told.textContent = 'The server could not be reached. Trying again…';
  }
  setTimeout(look, AGAIN_MS);
}

look();
