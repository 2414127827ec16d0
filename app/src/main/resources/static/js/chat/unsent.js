// What is typed and not sent is kept, over pages and visits, until it is.
import { memory, ownMemory } from './memory.js';

/**
 * It is kept twice: where the rest is, and by the frame itself. Word to the website around goes by message, and a page that is
 * left right after a key takes the message with it; browsers that keep nothing for frames have only the website. The later of
 * the two holds, and only within the conversation that it was typed in.
 *
 * @param {HTMLTextAreaElement} text
 * @param {string} key under which it is kept
 * @param {() => string} conversation that is going on, or nothing
 */
export function unsent(text, key, conversation) {
  const keep = (typed) => {
    const noted = JSON.stringify({ typed, at: Date.now(), within: conversation() });
    ownMemory.set(key, noted);
    memory.set(key, noted);
  };
  const note = () => keep(text.value);
  text.addEventListener('input', note);
  return {
    note,
    drop: () => keep(''),
    bringBack() {
      const [latest] = [ownMemory, memory]
        .map((where) => JSON.parse(where.get(key) ?? 'null'))
        .filter((noted) => noted && (!noted.within || noted.within === conversation()))
        .sort((one, other) => other.at - one.at);
      text.value ||= latest?.typed ?? '';
    },
  };
}
