import assert from 'node:assert/strict';
import test, { beforeEach, mock } from 'node:test';

// The page around the queue.
globalThis.document = { querySelector: () => null };
globalThis.addEventListener = () => {};
const { Edits } = await import('../../main/resources/static/js/studio/edits.js');

let posted;
let replies;

const reply = (status, body) => ({
  ok: status < 400,
  status,
  headers: new Headers(body ? { 'Content-Type': 'application/json' } : {}),
  json: async () => body,
});

beforeEach(() => {
  posted = [];
  replies = [];
  globalThis.fetch = async (path, { body }) => {
    posted.push(JSON.parse(body));
    const next = replies.shift() ?? reply(200, { refused: '' });
    if (next instanceof Error) {
      throw next;
    }
    return next;
  };
});

test('edits are sent one after the other, in their order', async () => {
  const edits = new Edits('/f', () => {});
  await Promise.all([1, 2, 3].map((n) => edits.send({ edit: 'move', by: n })));
  assert.deepEqual(
    posted.map((edit) => edit.by),
    [1, 2, 3],
  );
});

test('typing in one field is sent once, as it stands when its turn comes', async () => {
  const edits = new Edits('/f', () => {});
  let text = 'a';
  edits.type(
    'n1 text.0',
    () => ({ edit: 'set', value: text }),
    () => {},
  );
  text = 'ab';
  edits.type(
    'n1 text.0',
    () => ({ edit: 'set', value: text }),
    () => {},
  );
  assert.equal(edits.unsent, true);
  await edits.flush();
  assert.deepEqual(posted, [{ edit: 'set', value: 'ab' }]);
  assert.equal(edits.unsent, false);
});

test('what could not be sent is sent again, and says so', async () => {
  mock.timers.enable({ apis: ['setTimeout'] });
  const said = [];
  const edits = new Edits('/f', (words, bad) => said.push(bad ? words : ''));
  replies = [new Error('offline'), reply(503, null), reply(200, { refused: '' })];
  const sent = edits.send({ edit: 'delete', step: 'n1' });
  for (let i = 0; i < 50 && posted.length < 3; i++) {
    await new Promise((soon) => {
      setImmediate(soon);
    });
    mock.timers.tick(3000);
  }
  await sent;
  mock.timers.reset();
  assert.equal(posted.length, 3);
  assert.match(said.join(' '), /no connection/);
  assert.match(said.join(' '), /had a problem/);
});

test('a refusal and a clash reach whoever typed', async () => {
  const edits = new Edits('/f', () => {});
  const heard = [];
  replies = [reply(422, { refused: 'Too long.' }), reply(409, { refused: '', theirs: 'Hers' })];
  edits.type(
    'a',
    () => ({ edit: 'set' }),
    (answer) => heard.push(answer.refused),
  );
  edits.type(
    'b',
    () => ({ edit: 'set' }),
    (answer) => heard.push(answer.theirs),
  );
  await edits.flush();
  assert.deepEqual(heard, ['Too long.', 'Hers']);
});
