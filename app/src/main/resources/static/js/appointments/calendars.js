// Looks until calendars that were just added have been read.
import { getText } from '../web/http.js';

const AGAIN_MS = 700;

async function look() {
  const here = document.getElementById('calendars');
  if (here?.dataset.awaits === undefined) {
    return;
  }
  try {
    here.outerHTML = await getText(here.dataset.path);
  } catch {
    // Without the server the list is as it was.
  }
  setTimeout(look, AGAIN_MS);
}

look();
