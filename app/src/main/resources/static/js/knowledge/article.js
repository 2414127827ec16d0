// The editor of an article: formatting, pictures, and what visitors will read.
import '../web/ready.js';
import { postFile, postForm } from '../web/http.js';

const PAUSE = 400;

document.addEventListener('alpine:init', () => {
  globalThis.Alpine.data('article', () => ({
    busy: false,
    problem: '',
    waiting: 0,

    typed() {
      clearTimeout(this.waiting);
      this.waiting = setTimeout(() => this.show(), PAUSE);
    },

    async show() {
      const { text, preview } = this.$refs;
      try {
        preview.innerHTML = (await postForm(text.dataset.preview, { markdown: text.value })).text;
        this.problem = '';
      } catch {
        this.problem = 'The server could not be reached; the preview is not up to date. Your text is still here.';
      }
    },

    /** Puts text in the place of what is chosen, so that undoing works as ever. */
    replace(from, to, by, chosenFrom, chosenTo) {
      const { text } = this.$refs;
      text.focus();
      text.setRangeText(by, from, to);
      text.setSelectionRange(chosenFrom, chosenTo);
      this.typed();
    },

    wrap(event) {
      const { before, after } = event.currentTarget.dataset;
      const { text } = this.$refs;
      const { selectionStart: from, selectionEnd: to } = text;
      const chosen = text.value.slice(from, to);
      this.replace(from, to, before + chosen + after, from + before.length, from + before.length + chosen.length);
    },

    lead(event) {
      const { text } = this.$refs;
      const from = text.value.lastIndexOf('\n', text.selectionStart - 1) + 1;
      const mark = event.currentTarget.dataset.with;
      this.replace(from, from, mark, text.selectionStart + mark.length, text.selectionEnd + mark.length);
    },

    put(event) {
      const { text } = this.$refs;
      const by = event.currentTarget.dataset.text;
      const at = text.selectionEnd;
      this.replace(at, at, by, at + by.length, at + by.length);
    },

    async picture(event) {
      const [file] = event.target.files;
      const { text } = this.$refs;
      if (!file) {
        return;
      }
      this.busy = true;
      const { status, body } = await postFile(text.dataset.pictures, file).catch(() => ({ status: 0 }));
      this.busy = false;
      if (status === 200) {
        const at = text.selectionEnd;
        const by = `![What the picture shows](${body.address})`;
        this.replace(at, at, by, at + 2, at + 2 + 'What the picture shows'.length);
        this.problem = '';
      } else {
        this.problem = body?.refused ?? 'The picture could not be sent. It may be too large: 8 MB is the most.';
      }
    },
  }));
});
