// What a message shows beside its words.

import { word } from './words.js';

const STILL = matchMedia('(prefers-reduced-motion: reduce)');
const WORDS = { video: 'Watch', file: 'Open', animation: 'Show' };

/** A film of the bot's own, which is shown where it stands. */
function film(media) {
  const made = document.createElement('video');
  made.className = 'shown';
  made.controls = true;
  made.preload = 'metadata';
  made.playsInline = true;
  made.src = media.address;
  made.setAttribute('aria-label', media.alt || word('Watch'));
  return made;
}

/**
 * A picture, a film of one's own, or a link to what is no picture; an animation only moves where motion is welcome.
 * @param {{type: string, address: string, alt?: string}} media
 * @param {() => void} [loaded] called when a picture has its size
 */
export function shown(media, loaded) {
  if (media.type === 'video' && media.address.startsWith('/media/')) {
    return film(media);
  }
  const pictured = media.type === 'picture' || (media.type === 'animation' && !STILL.matches);
  const made = document.createElement(pictured ? 'img' : 'a');
  made.className = 'shown';
  if (pictured) {
    made.src = media.address;
    made.alt = media.alt ?? '';
    made.addEventListener('load', () => loaded?.());
  } else {
    made.href = media.address;
    made.target = '_blank';
    made.rel = 'noopener';
    made.textContent = `${word(WORDS[media.type] ?? 'Open')}: ${media.alt || media.address}`;
  }
  return made;
}
