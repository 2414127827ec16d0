// A button that copies a text and says so.
import '../web/ready.js';

document.addEventListener('alpine:init', () => {
  globalThis.Alpine.data('copy', () => ({
    label: 'Copy',

    async copy() {
      const { plain, text } = this.$root.dataset;
      await navigator.clipboard.writeText(plain ?? new URL(text, location.href).href);
      this.label = 'Copied';
    },
  }));
});
