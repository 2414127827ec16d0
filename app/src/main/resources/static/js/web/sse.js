// Server-sent events over fetch, so that a token can be sent; resumes where it stopped.

const RETRY_MS = 2000;

/**
 * Reads a stream for as long as the page lives.
 * @param {string} path
 * @param {() => Record<string, string>} headers asked anew at each connection
 * @param {() => void} onNews
 * @param {AbortSignal} [signal]
 */
export async function follow(path, headers, onNews, signal) {
  while (!signal?.aborted) {
    try {
      const response = await fetch(path, { headers: { Accept: 'text/event-stream', ...headers() }, signal });
      if (response.status === 401 || response.status === 403 || response.status === 404) {
        return;
      }
      const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
      let rest = '';
      for (;;) {
        const { done, value } = await reader.read();
        if (done) {
          break;
        }
        const parts = (rest + value).split('\n\n');
        rest = parts.pop();
        if (parts.some((part) => /^data:/m.test(part))) {
          onNews();
        }
      }
    } catch {
      if (signal?.aborted) {
        return;
      }
    }
    await new Promise((again) => {
      setTimeout(again, RETRY_MS);
    });
  }
}
