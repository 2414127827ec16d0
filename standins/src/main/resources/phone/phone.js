// A phone: shows what came, sends what is typed, pressed or chosen.

const POLL_MS = 700;
const lines = document.querySelector('.lines');
const talk = document.querySelector('.talk');
const form = document.querySelector('.write');
const text = document.querySelector('#text');
const person = document.querySelector('#person');
const list = document.querySelector('.choices');
let line = '';
let shown = '';

async function json(path, body) {
  const options = body ? { method: 'POST', body: JSON.stringify(body) } : {};
  return (await fetch(path, options)).json();
}

function made(name, className, words) {
  const element = document.createElement(name);
  element.className = className;
  element.textContent = words ?? '';
  return element;
}

async function write(message, words) {
  await json('/write', { line, person: person.value.trim(), twice: document.querySelector('#twice').checked, ...message, shown: words });
  await look();
}

function option({ id, title, line: under }) {
  const button = made('button', '', title);
  button.type = 'button';
  if (under) {
    button.append(made('small', '', under));
  }
  button.addEventListener('click', () => {
    list.close();
    write({ pick: id }, title);
  });
  return button;
}

function open(groups) {
  list.replaceChildren(...groups.flatMap(({ title, rows }) => [...(title ? [made('h2', '', title)] : []), ...rows.map(option)]));
  list.showModal();
}

function options(message) {
  const box = made('div', 'options');
  if (message.type === 'buttons') {
    box.append(...message.buttons.map(option));
  } else if (message.type === 'list') {
    const button = made('button', '', message.open);
    button.type = 'button';
    button.addEventListener('click', () => open(message.groups));
    box.append(button);
  }
  return box.childElementCount > 0 ? [box] : [];
}

function drawn({ mine, state, body }) {
  const message = mine ? { type: 'text', text: body.text } : body.message;
  const item = made('li', mine ? 'mine' : message.type);
  const says = made('div', 'says', message.text);
  if (message.type === 'picture') {
    const picture = made('img', '');
    picture.src = message.address;
    picture.alt = message.text;
    says.replaceChildren(picture);
  }
  item.append(says, ...options(message));
  if (!mine && body.parts > 1) {
    item.append(made('span', 'small', `${body.parts} text messages`));
  }
  if (state === 'not sent') {
    item.append(made('span', 'small', 'not sent'));
  }
  return item;
}

async function look() {
  if (!line) {
    return;
  }
  const query = new URLSearchParams({ line, person: person.value.trim() });
  const all = await json(`/talk?${query}`);
  const now = JSON.stringify([line, all.map(({ at, state }) => [at, state === 'not sent'])]);
  if (now !== shown) {
    shown = now;
    talk.replaceChildren(...all.map(drawn));
    talk.scrollTop = talk.scrollHeight;
  }
}

async function begin() {
  const all = await json('/lines');
  lines.replaceChildren(
    ...all.map(({ kind, name, number }) => {
      const button = made('button', '', `${name} ${number}`);
      button.setAttribute('role', 'tab');
      button.dataset.kind = kind;
      button.addEventListener('click', () => choose(kind));
      return button;
    }),
  );
  choose(all[0]?.kind ?? '');
}

function choose(kind) {
  line = kind;
  for (const button of lines.children) {
    button.setAttribute('aria-selected', String(button.dataset.kind === kind));
  }
  look();
}

form.addEventListener('submit', (event) => {
  event.preventDefault();
  const words = text.value.trim();
  if (words) {
    text.value = '';
    write({ text: words }, words);
  }
});

document.querySelector('#picture').addEventListener('change', async ({ target }) => {
  const [file] = target.files;
  const bytes = new Uint8Array(await file.arrayBuffer());
  const data = btoa(bytes.reduce((all, one) => all + String.fromCharCode(one), ''));
  target.value = '';
  write({ picture: { name: file.name, data } }, `▣ ${file.name}`);
});

person.addEventListener('change', look);
begin();
setInterval(look, POLL_MS);
