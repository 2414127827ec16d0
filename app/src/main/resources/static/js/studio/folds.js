// Which sections of a script are folded, kept in the browser.

/**
 * @param {string} key
 * @param {() => Element} rows
 */
export function folds(key, rows) {
  const foldedNow = () => new Set(JSON.parse(localStorage.getItem(key) ?? '[]'));

  function show() {
    const folded = foldedNow();
    rows()
      .querySelectorAll('.part')
      .forEach((part) => {
        const away = folded.has(part.dataset.section);
        part.classList.toggle('folded', away);
        part.querySelector('[data-fold]')?.setAttribute('aria-expanded', String(!away));
      });
  }

  function fold(section, away) {
    const folded = foldedNow();
    folded[away ? 'add' : 'delete'](section);
    localStorage.setItem(key, JSON.stringify([...folded]));
    show();
  }

  return {
    show,
    toggle: (part) => fold(part.dataset.section, !part.classList.contains('folded')),
    /** Unfolds the section that an element stands in. */
    reveal: (element) => {
      const part = element.closest('.part');
      if (part.classList.contains('folded')) {
        fold(part.dataset.section, false);
      }
    },
  };
}
