// Goes on in a conversation on this device: the browser is given the key that the link brought.

import '../web/ready.js';

const button = document.getElementById('go-on');

button?.addEventListener('click', () => {
  const { bot, slug, conversation, key } = button.dataset;
  localStorage.setItem(`shuttle-chat-${bot}`, JSON.stringify({ conversation, token: key }));
  location.assign(`/chat/${slug}`);
});
