// What is typed and not sent is kept, over pages and visits, until it is.
import { memory } from './memory.js';

/** @param {HTMLTextAreaElement} text @param {string} key under which it is kept */
export function unsent(text, key) {
  const note = () => (text.value ? memory.set(key, text.value) : memory.remove(key));
  text.addEventListener('input', note);
  return {
    note,
    drop: () => memory.remove(key),
    bringBack() {
      text.value ||= memory.get(key) ?? '';
    },
  };
}
