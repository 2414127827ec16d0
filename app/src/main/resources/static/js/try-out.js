// Asks the knowledge and shows what matched, without leaving the page.
import { getText } from './http.js';

for (const section of document.querySelectorAll('[data-try]')) {
  const form = section.querySelector('form');
  const result = section.querySelector('.try-result');
  form.addEventListener('submit', async (event) => {
    event.preventDefault();
    result.setAttribute('aria-busy', 'true');
    try {
      const query = new URLSearchParams(new FormData(form));
      result.innerHTML = await getText(`${form.action}?${query}`);
    } catch {
      result.textContent = 'The server could not be reached. Please try again.';
    }
    result.removeAttribute('aria-busy');
  });
}
