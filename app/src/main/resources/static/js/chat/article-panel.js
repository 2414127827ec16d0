// Articles open beside the conversation; where that fails, the link leads to the article's own page.

/**
 * @param {HTMLDialogElement} panel shows the article
 * @param {Element} log where the links are
 */
export function articlePanel(panel, log) {
  const text = panel.querySelector('.article-text');

  async function open(link) {
    const address = new URL(link.href);
    const reply = await fetch(address);
    const page = new DOMParser().parseFromString(await reply.text(), 'text/html');
    const article = page.querySelector('.article-text');
    if (!reply.ok || !article) {
      location.assign(address);
      return;
    }
    panel.querySelector('h2').textContent = page.querySelector('h1').textContent;
    text.replaceChildren(...article.childNodes);
    panel.showModal();
    const passage = address.hash && text.querySelector(`#${CSS.escape(decodeURIComponent(address.hash.slice(1)))}`);
    if (passage) {
      passage.scrollIntoView();
    } else {
      panel.scrollTop = 0;
    }
  }

  log.addEventListener('click', (event) => {
    const link = event.target.closest('a[href*="/articles/"]');
    if (link && new URL(link.href).origin === location.origin && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
      event.preventDefault();
      open(link).catch(() => location.assign(link.href));
    }
  });
  panel.querySelector('[data-close]').addEventListener('click', () => panel.close());
  panel.addEventListener('click', (event) => {
    if (event.target === panel) {
      panel.close();
    }
  });
}
