// Draws the interface's page from its OpenAPI description.
import '../web/ready.js';

const main = document.querySelector('.docs');
const calls = document.getElementById('calls');

function made(name, text, className = '') {
  const element = document.createElement(name);
  element.textContent = text;
  element.className = className;
  return element;
}

/** An example of a schema: the names of its fields with the kind of thing each holds. */
function example(schema, all, depth = 0) {
  if (!schema || depth > 5) {
    return '…';
  }
  if (schema.$ref) {
    return example(all[schema.$ref.split('/').at(-1)], all, depth);
  }
  if (schema.type === 'array') {
    return [example(schema.items, all, depth + 1)];
  }
  if (schema.properties) {
    return Object.fromEntries(Object.entries(schema.properties).map(([name, part]) => [name, example(part, all, depth + 1)]));
  }
  return { string: 'text', integer: 0, number: 0.5, boolean: true }[schema.type] ?? '…';
}

function show(title, body, all, into) {
  const schema = Object.values(body?.content ?? {})[0]?.schema;
  if (schema) {
    into.append(made('p', title, 'part-name'), made('pre', JSON.stringify(example(schema, all), null, 2)));
  }
}

const description = await (await fetch(main.dataset.description)).json();
const schemas = description.components?.schemas ?? {};
document.getElementById('intro').textContent = description.info.description;
for (const tag of description.tags ?? []) {
  calls.append(made('h2', tag.name), made('p', tag.description ?? '', 'hint'));
  for (const [path, methods] of Object.entries(description.paths)) {
    for (const [method, call] of Object.entries(methods)) {
      if ((call.tags ?? []).includes(tag.name)) {
        const details = document.createElement('details');
        const summary = document.createElement('summary');
        summary.append(made('b', method.toUpperCase()), made('code', path), made('span', call.summary ?? ''));
        details.append(summary);
        show('send', call.requestBody, schemas, details);
        for (const [status, response] of Object.entries(call.responses)) {
          if (status.startsWith('2')) {
            show(`${status}, replies`, response, schemas, details);
          }
        }
        calls.append(details);
      }
    }
  }
}
calls.removeAttribute('aria-busy');
