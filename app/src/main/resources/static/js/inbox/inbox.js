// Keeps the inbox current, and sends replies.
import '../web/ready.js';
import { getText, postForm } from '../web/http.js';
import { follow } from '../web/sse.js';

const inbox = document.querySelector('.inbox');
const opened = inbox.dataset.open;
const reply = document.getElementById('reply');

async function refreshList() {
  const html = await getText(`/inbox/list?open=${opened ?? ''}`);
  const list = document.getElementById('inbox-list');
  const focused = list.contains(document.activeElement) ? document.activeElement.getAttribute('href') : null;
  list.outerHTML = html;
  if (focused) {
    document.querySelector(`#inbox-list a[href="${CSS.escape(focused)}"]`)?.focus();
  }
  const waiting = Number(document.getElementById('inbox-list').dataset.waiting);
  const count = document.getElementById('waiting-count');
  count.firstElementChild.textContent = String(waiting);
  count.classList.toggle('unseen', waiting === 0);
  document.title = waiting > 0 ? `(${waiting}) Inbox · Shuttle` : 'Inbox · Shuttle';
}

function settle() {
  const part = document.getElementById('inbox-conversation');
  reply.hidden = part.dataset.speaker !== 'person' || part.dataset.mine !== 'true';
  const log = part.querySelector('.inbox-log');
  log.scrollTop = log.scrollHeight;
}

async function refreshConversation() {
  document.getElementById('inbox-conversation').outerHTML = await getText(`/inbox/${opened}/conversation`);
  settle();
}

follow('/inbox/stream', () => ({}), refreshList);

if (opened) {
  const text = document.getElementById('reply-text');
  const problem = document.getElementById('reply-problem');
  let draft = null;
  settle();
  follow(`/inbox/${opened}/stream`, () => ({}), refreshConversation);

  reply.addEventListener('submit', async (event) => {
    event.preventDefault();
    const typed = text.value.trim();
    if (!typed) {
      return;
    }
    draft = draft?.typed === typed ? draft : { typed, id: crypto.randomUUID() };
    problem.hidden = true;
    try {
      const { status, text: answer } = await postForm(reply.dataset.path, { text: typed, clientMessageId: draft.id });
      if (status >= 400) {
        throw new Error(answer || 'The reply was not taken.');
      }
      draft = null;
      text.value = '';
    } catch (error) {
      problem.textContent = error instanceof TypeError ? 'No connection. Your reply is still here; please send it again.' : error.message;
      problem.hidden = false;
    }
  });

  text.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && !event.shiftKey && !event.isComposing) {
      event.preventDefault();
      reply.requestSubmit();
    }
  });
}
