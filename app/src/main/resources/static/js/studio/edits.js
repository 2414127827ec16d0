// Sends edits to the server one after the other. Nothing typed is lost: what could not be sent is kept and sent again.
import { postJson } from '../web/http.js';

const RETRY_MS = 3000;

export class Edits {
  /**
   * @param {string} base address of the flow
   * @param {(text: string, bad: boolean) => void} say shows the state of saving
   */
  constructor(base, say) {
    this.base = base;
    this.say = say;
    this.line = Promise.resolve();
    this.typed = new Map();
    this.pending = 0;
    /** How many edits the server has taken; what was fetched before the latest of them is out of date. */
    this.taken = 0;
    addEventListener('beforeunload', (event) => {
      if (this.unsent) {
        this.flush();
        event.preventDefault();
      }
    });
  }

  /**
   * Notes typing; sent shortly after the last key. A later edit with the same key takes the place of an unsent one.
   * `make` gives the edit when its turn comes, and `done` hears what came of it.
   */
  type(key, make, done) {
    clearTimeout(this.typed.get(key)?.timer);
    const send = () => {
      this.typed.delete(key);
      return this.post(`${this.base}/edits`, make, done);
    };
    this.typed.set(key, { timer: setTimeout(send, 500), send });
    this.say('Saving…', false);
  }

  /** Whether the server does not know yet all that was typed. */
  get unsent() {
    return this.typed.size > 0 || this.pending > 0;
  }

  /** Sends what was typed but not sent yet. */
  async flush() {
    const all = [...this.typed.values()];
    all.forEach((entry) => clearTimeout(entry.timer));
    await Promise.all(all.map((entry) => entry.send()));
    await this.line;
  }

  /** Sends an edit after those before it; resolves to the server's reply. */
  send(edit) {
    return this.post(`${this.base}/edits`, edit);
  }

  /** Steps back or forward in the history. */
  async step(which) {
    await this.flush();
    return this.post(`${this.base}/${which}`, {});
  }

  /** Posts a value, or what a function gives when its turn comes. */
  post(path, value, done) {
    this.pending += 1;
    this.say('Saving…', false);
    this.line = this.line
      .then(() => this.try(path, typeof value === 'function' ? value() : value))
      .then((reply) => {
        this.pending -= 1;
        this.taken += 1;
        done?.(reply);
        if (!this.unsent) {
          this.say('All changes saved', false);
        }
        return reply;
      });
    return this.line;
  }

  async try(path, value) {
    for (;;) {
      try {
        const { status, body } = await postJson(path, value);
        if (body) {
          return body;
        }
        if (status === 401 || status === 403) {
          this.say('You are signed out. Sign in in another tab, then go on here.', true);
        } else {
          this.say('Not saved yet: the server had a problem. Trying again…', true);
        }
      } catch {
        this.say('Not saved yet: no connection. Trying again…', true);
      }
      await new Promise((again) => {
        setTimeout(again, RETRY_MS);
      });
    }
  }
}
