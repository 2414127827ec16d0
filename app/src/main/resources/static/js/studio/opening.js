// When a row of the script opens: pressed, or come to by keyboard.

/**
 * @param {HTMLElement} script
 * @param {{open: (row: Element) => void, whole: (row: Element) => Promise<void>, at: (row: Element) => void}} it
 *     `at` hears in which row somebody is
 */
export function opening(script, it) {
  const rowOf = (element) => element.closest('.row');
  const closed = (row) => !row.classList.contains('open');

  // A row that is pressed opens when the button is let go: opening moves things, and the press would end beside its aim.
  let pressed = false;
  script.addEventListener(
    'pointerdown',
    () => {
      pressed = true;
    },
    true,
  );
  addEventListener('pointerup', () => {
    pressed = false;
    setTimeout(() => {
      const row = script.contains(document.activeElement) ? rowOf(document.activeElement) : null;
      if (row && row !== document.activeElement && closed(row)) {
        it.open(row);
      }
    });
  });

  // A row without words has nothing to put the caret into, and opens wherever it is pressed.
  script.addEventListener('click', (event) => {
    const row = rowOf(event.target);
    const held = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!row || held || event.target.closest('button, a, input, select, textarea') || row.querySelector('.say') || !closed(row)) {
      return;
    }
    it.open(row);
    it.whole(row).then(() => {
      if (document.activeElement === row) {
        row.querySelector('.body :is(select, input, textarea)')?.focus();
      }
    });
  });

  script.addEventListener('focusin', (event) => {
    const row = rowOf(event.target);
    if (row && !pressed && event.target !== row && closed(row)) {
      it.open(row);
    }
    if (row) {
      it.at(row);
    }
  });
}
