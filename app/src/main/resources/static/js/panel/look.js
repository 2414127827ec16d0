// What is drawn.

const host = document.createElement('div');
const root = host.attachShadow({ mode: 'open' });
const sheet = new CSSStyleSheet();
sheet.replaceSync(`
  :host { all: initial; position: fixed; inset: auto; z-index: 2147483000; }
  :host(.inside) { display: block; position: relative; z-index: auto; height: 100%; min-height: min(480px, 90vh); }
  * { box-sizing: border-box; }
  button { font: 600 16px/1.3 system-ui, sans-serif; cursor: pointer; border: 0; }
  button:focus-visible { outline: 3px solid #c8901a; outline-offset: 2px; }
  .launcher { position: fixed; bottom: 20px; display: flex; gap: 10px; align-items: center; min-height: 52px;
    padding: 8px 18px; border-radius: 26px; color: var(--on); background: var(--colour);
    box-shadow: 0 3px 14px rgb(0 0 0 / 28%); }
  .launcher svg { width: 30px; height: 17px; flex: none; }
  .launcher .mark { width: 36px; height: 36px; margin-inline-start: -8px; border-radius: 50%; object-fit: cover; }
  .count { min-width: 22px; padding: 1px 6px; border-radius: 11px; background: #c8901a; color: #1b1b1b; font-size: 13px; }
  .right { right: 20px; } .left { left: 20px; }
  .greeting { position: fixed; bottom: 84px; display: flex; gap: 4px; align-items: start; max-width: min(320px, calc(100vw - 40px));
    padding: 4px; border-radius: 12px; background: #fffefb; color: #1f2a44; box-shadow: 0 3px 18px rgb(0 0 0 / 26%); }
  .greeting .says { flex: 1; padding: 10px 12px; background: none; color: inherit; text-align: start; font-weight: 400; overflow-wrap: anywhere; }
  .greeting .away { padding: 6px 10px; border-radius: 8px; background: none; color: inherit; font-size: 20px; }
  .box { position: fixed; bottom: 84px; width: 384px; height: min(620px, calc(100vh - 104px)); border-radius: 12px; overflow: hidden;
    background: #fffefb; box-shadow: 0 6px 30px rgb(0 0 0 / 34%); }
  :host(.inside) .box { position: absolute; inset: 0; width: 100%; height: 100%; box-shadow: none; }
  .box.whole { inset: 0; width: 100%; height: 100%; border-radius: 0; }
  iframe { display: block; width: 100%; height: 100%; border: 0; }
  [hidden] { display: none !important; }
  @media (prefers-reduced-motion: no-preference) { .greeting { animation: in .25s ease-out; } }
  @keyframes in { from { opacity: 0; transform: translateY(8px); } }
  @media (prefers-color-scheme: dark) { .greeting { background: #232a3c; color: #f1ece2; } .box { background: #1b2130; } }
  @media print { :host { display: none; } }
`);
root.adoptedStyleSheets = [sheet];

function element(name, className, text) {
  const made = document.createElement(name);
  made.className = className;
  if (text !== undefined) {
    made.textContent = text;
  }
  return made;
}

const launcher = element('button', 'launcher');
const count = element('span', 'count');
const box = element('div', 'box');
let greeting = null;
let frame = null;
let setup = null;
let bot = '';
let begun = null;
let unread = 0;
let led = { flow: '', cue: '' };

function isOpen() {
  return place !== null || (frame !== null && !box.hidden);
}

function showCount() {
  count.textContent = unread;
  count.hidden = unread === 0;
  launcher.setAttribute('aria-label', `${setup.words || setup.name}${unread > 0 ? `, ${setup.fresh.replace('{n}', unread)}` : ''}`);
}

/** White or black, whichever is easier to read on a colour (the relative luminance of WCAG 2). */
function onColour(colour) {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = parseInt(colour.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b > 0.18 ? '#1b1b1b' : '#ffffff';
}

/** The bot's picture, or the sign of a shuttle. */
function mark() {
  if (setup.picture) {
    const picture = element('img', 'mark');
    picture.src = new URL(setup.picture, base).href;
    picture.alt = '';
    return picture;
  }
  const shape = 'http://www.w3.org/2000/svg';
  const sign = document.createElementNS(shape, 'svg');
  sign.setAttribute('viewBox', '0 0 26 14');
  sign.setAttribute('aria-hidden', 'true');
  for (const [d, width] of [
    ['M1 7C7 1 19 1 25 7 19 13 7 13 1 7Z', 1.8],
    ['M7 7h12', 2.4],
  ]) {
    const line = document.createElementNS(shape, 'path');
    Object.entries({ d, fill: 'none', stroke: 'currentColor', 'stroke-width': width, 'stroke-linecap': 'round' }).forEach(([name, value]) =>
      line.setAttribute(name, value),
    );
    sign.append(line);
  }
  return sign;
}

function draw() {
  launcher.append(mark(), ...(setup.words ? [element('span', '', setup.words)] : []), count);
  launcher.classList.add(setup.side);
  launcher.setAttribute('aria-expanded', 'false');
  launcher.style.setProperty('--colour', setup.colour);
  launcher.style.setProperty('--on', onColour(setup.colour));
  launcher.addEventListener('click', () => (isOpen() ? close() : open()));
  box.classList.add(setup.side);
  box.hidden = true;
  showCount();
  root.append(box, launcher);
  document.body.append(host);
  moveIn();
}

/** On a phone the panel is the whole screen, above the keyboard. */
function fit() {
  const view = window.visualViewport;
  const whole = PHONE.matches && isOpen() && !place;
  box.classList.toggle('whole', whole);
  launcher.hidden = whole;
  box.style.height = whole && view ? `${view.height}px` : '';
  box.style.top = whole && view ? `${view.offsetTop}px` : '';
}
