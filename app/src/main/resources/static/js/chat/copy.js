// The conversation as a text file, made here, so that nothing of it lies about on a server.
import { word } from './words.js';

/** Words without the marks of small Markdown. */
function plain(html) {
  const body = new DOMParser().parseFromString(html.replace(/<br>|<\/p>|<\/li>/g, '\n'), 'text/html').body;
  return body.textContent.trim();
}

/**
 * @param {HTMLElement} button
 * @param {() => Promise<{messages: object[]}>} load all that was said
 */
export function copies(button, load) {
  button.addEventListener('click', async () => {
    const { messages } = await load();
    const who = ({ from, author }) => (from === 'visitor' ? word('You') : author || document.title);
    const lines = messages.map((message) => `${who(message)}: ${message.html ? plain(message.html) : message.text}`);
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([`${lines.join('\n\n')}\n`], { type: 'text/plain;charset=utf-8' }));
    link.download = `${document.title}.txt`;
    link.click();
    URL.revokeObjectURL(link.href);
  });
}
