// What must not overtake itself.

/**
 * Makes calls wait for those before them: what was fetched first must not be shown last.
 *
 * @template {Array<unknown>} A
 * @template R
 * @param {(...given: A) => Promise<R>} act
 * @returns {(...given: A) => Promise<R>}
 */
export function inTurn(act) {
  let last = Promise.resolve();
  return (...given) => {
    const now = last.catch(() => {}).then(() => act(...given));
    last = now;
    return now;
  };
}
