// Messages as they look on phones, in the rehearsal.
import { option } from '../chat/widgets.js';

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className;
  made.textContent = text ?? '';
  return made;
}

function rows(groups, press) {
  return groups.flatMap(({ title, rows: all }) => [
    ...(title ? [element('p', 'offer-group', title)] : []),
    ...all.map(({ id, title: label, line }) => option({ label, text: line }, false, () => press(id))),
  ]);
}

/** @returns {HTMLElement[]} what one message is there @param {(id: string) => void} press */
export function onPhone(piece, press) {
  const bubble = element('div', 'bubble on-phone', piece.text);
  if (piece.type === 'picture') {
    const picture = element('img', '');
    picture.src = piece.address;
    picture.alt = piece.text;
    bubble.replaceChildren(picture);
  }
  if (piece.type === 'buttons') {
    const offers = element('div', 'offers buttons');
    offers.append(...piece.buttons.map(({ id, title }) => option({ label: title }, false, () => press(id))));
    return [bubble, offers];
  }
  if (piece.type === 'list') {
    const list = element('details', 'offers list phone-list');
    list.append(element('summary', '', piece.open), ...rows(piece.groups, press));
    return [bubble, list];
  }
  return [bubble];
}
