// The small Markdown of texts, taken apart for showing it. Computes only.

const MARKS = /\*\*(?<strong>[^*\n]+)\*\*|\*(?<em>[^*\s][^*\n]*)\*|\[(?<link>[^\]\n]+)\]\([^)\s]+\)/g;

/**
 * The pieces of a text in order: what is plain, and what stands between marks.
 * @param {string} text
 * @returns {{text: string, as: 'plain'|'strong'|'em'|'link'}[]}
 */
export function pieces(text) {
  const found = [];
  let at = 0;
  for (const match of text.matchAll(MARKS)) {
    if (match.index > at) {
      found.push({ text: text.slice(at, match.index), as: 'plain' });
    }
    const [as, inner] = Object.entries(match.groups).find(([, value]) => value !== undefined);
    found.push({ text: inner, as });
    at = match.index + match[0].length;
  }
  if (at < text.length) {
    found.push({ text: text.slice(at), as: 'plain' });
  }
  return found;
}

/** Whether a text has any marks. */
export const marked = (text) => pieces(text).some((piece) => piece.as !== 'plain');
