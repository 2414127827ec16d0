// Calls to the server from a signed-in page.

const meta = document.querySelector('meta[name="csrf"]');

/** What this page calls itself, so that it can tell its own changes from others'. */
export const page = crypto.getRandomValues(new Uint32Array(2)).join('-');

function withToken(headers) {
  const named = { ...headers, 'X-Page': page };
  return meta ? { ...named, [meta.dataset.header]: meta.content } : named;
}

/** Posts JSON; resolves to {status, body}, rejects only when the server could not be reached. */
export async function postJson(path, value) {
  const response = await fetch(path, { method: 'POST', headers: withToken({ 'Content-Type': 'application/json' }), body: JSON.stringify(value ?? {}) });
  const json = (response.headers.get('Content-Type') ?? '').includes('json');
  return { status: response.status, body: json ? await response.json() : null };
}

/** Posts form fields; resolves to {status, text}. */
export async function postForm(path, fields) {
  const response = await fetch(path, { method: 'POST', headers: withToken({}), body: new URLSearchParams(fields) });
  return { status: response.status, text: await response.text() };
}

/** Gets a piece of a page as text. */
export async function getText(path) {
  const response = await fetch(path, { headers: { Accept: 'text/html' } });
  if (!response.ok) {
    throw new Error(`${path} answered ${response.status}`);
  }
  return response.text();
}

/** Posts one file; resolves to {status, body}. */
export async function postFile(path, file) {
  const form = new FormData();
  form.append('file', file);
  const response = await fetch(path, { method: 'POST', headers: withToken({}), body: form });
  const json = (response.headers.get('Content-Type') ?? '').includes('json');
  return { status: response.status, body: json ? await response.json() : null };
}
