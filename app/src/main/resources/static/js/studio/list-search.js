// Lists that are searched by letters or gone through by arrows.

/** How long browsers take letters in a list for one search. */
const SEARCH_MS = 1000;

/**
 * Tells when somebody is done with a list. Drawing the list anew between two letters would make the second letter begin
 * another search; so it is told when no key came for a while or the list is left, and at once after a mouse.
 *
 * @param {Element} within where the lists are
 * @param {() => void} done hears that a list was changed and is left alone
 * @returns {(change: Event) => void} to be called with each change of a list
 */
export function listSearch(within, done) {
  let keyed = -Infinity;
  let waiting = 0;
  const finish = () => {
    clearTimeout(waiting);
    waiting = 0;
    done();
  };
  const wait = () => {
    clearTimeout(waiting);
    waiting = setTimeout(finish, SEARCH_MS);
  };
  within.addEventListener('keydown', (event) => {
    if (event.target.matches('select')) {
      keyed = event.timeStamp;
      if (waiting) {
        wait();
      }
    }
  });
  within.addEventListener('focusout', (event) => {
    if (waiting && event.target.matches('select')) {
      finish();
    }
  });
  return (change) => (change.timeStamp - keyed < SEARCH_MS ? wait() : finish());
}
