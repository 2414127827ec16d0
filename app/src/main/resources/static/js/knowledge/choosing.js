// A bot's collections: a box that shows only those with some words in them.
import './sureness.js';

document.querySelectorAll('[data-filters]').forEach((box) =>
  box.addEventListener('input', () => {
    const words = box.value.trim().toLowerCase();
    document.querySelectorAll(box.dataset.filters).forEach((line) => {
      line.hidden = !line.textContent.toLowerCase().includes(words);
    });
  }),
);
