// The page's own words, in the bot's language. They are named by what they are in English, which stands where there is no other.

const all = JSON.parse(document.getElementById('chat')?.dataset.words || '{}');

/** @param {string} english with blanks such as {n} @param {object} [blanks] */
export function word(english, blanks = {}) {
  return (all[english] ?? english).replace(/\{(\w+)\}/g, (whole, name) => blanks[name] ?? whole);
}

/** The language of days and months. */
export const language = () => document.documentElement.lang || 'en-GB';
