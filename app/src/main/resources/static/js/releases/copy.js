// A button that copies a text and says so.
import '../web/ready.js';

document.addEventListener('alpine:init', () => {
  globalThis.Alpine.data('copy', () => ({
    label: 'Copy',

    async copy() {
      await navigator.clipboard.writeText(new URL(this.$root.dataset.text, location.href).href);
      this.label = 'Copied';
    },
  }));
});
