// Asks the knowledge and shows what matched, without leaving the page.
import '../web/ready.js';
import { getText } from '../web/http.js';

document.addEventListener('alpine:init', () => {
  globalThis.Alpine.data('tryOut', () => ({
    busy: false,

    async ask(event) {
      const form = event.target;
      const { result } = this.$refs;
      this.busy = true;
      try {
        result.innerHTML = await getText(`${form.action}?${new URLSearchParams(new FormData(form))}`);
      } catch {
        result.textContent = 'The server could not be reached. Please try again.';
      }
      this.busy = false;
    },
  }));
});
