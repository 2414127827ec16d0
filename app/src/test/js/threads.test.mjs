import assert from 'node:assert/strict';
import test from 'node:test';
import { layoutOf, threadsOf } from '../../main/resources/static/js/studio/threads.js';

const rows = () => ({
  dataset: {
    layout: JSON.stringify({
      lanes: 2,
      rows: [{ lane: 0 }, { lane: 0 }, { lane: 1 }],
      threads: [
        { target: 1, lane: 0, up: false, feeders: [{ row: 0, exit: 'next' }] },
        {
          target: 2,
          lane: 1,
          up: false,
          feeders: [
            { row: 0, exit: 'option:a' },
            { row: 1, exit: 'next' },
          ],
        },
      ],
    }),
  },
});

test('the layout is read once', () => {
  const one = rows();
  assert.equal(layoutOf(one), layoutOf(one));
  assert.equal(layoutOf(one).lanes, 2);
});

test('a row knows the threads into and out of it', () => {
  const one = rows();
  assert.deepEqual(threadsOf(one, 0), [0, 1]);
  assert.deepEqual(threadsOf(one, 1), [0, 1]);
  assert.deepEqual(threadsOf(one, 2), [1]);
});
