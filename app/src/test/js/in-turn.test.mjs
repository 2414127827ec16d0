import assert from 'node:assert/strict';
import test from 'node:test';
import { inTurn } from '../../main/resources/static/js/web/in-turn.js';

test('a slow call is not overtaken by a quick one after it', async () => {
  const done = [];
  const release = [];
  const act = inTurn(async (name) => {
    if (name === 'slow') {
      await new Promise((go) => {
        release.push(go);
      });
    }
    done.push(name);
    return name;
  });
  const slow = act('slow');
  const quick = act('quick');
  await Promise.resolve();
  await Promise.resolve();
  assert.deepEqual(done, []);
  release[0]();
  assert.equal(await slow, 'slow');
  assert.equal(await quick, 'quick');
  assert.deepEqual(done, ['slow', 'quick']);
});

test('one that fails does not keep the next from its turn', async () => {
  const act = inTurn(async (fails) => {
    if (fails) {
      throw new Error('no connection');
    }
    return 'done';
  });
  const failed = act(true);
  const next = act(false);
  await assert.rejects(failed, /no connection/);
  assert.equal(await next, 'done');
});
