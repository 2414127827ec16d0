import assert from 'node:assert/strict';
import test from 'node:test';
import { marked, pieces } from '../../main/resources/static/js/studio/prose.js';

test('marks are taken apart and what is between them is kept', () => {
  assert.deepEqual(pieces('Open **Friday** and *perhaps* [Sunday](https://x.example).'), [
    { text: 'Open ', as: 'plain' },
    { text: 'Friday', as: 'strong' },
    { text: ' and ', as: 'plain' },
    { text: 'perhaps', as: 'em' },
    { text: ' ', as: 'plain' },
    { text: 'Sunday', as: 'link' },
    { text: '.', as: 'plain' },
  ]);
});

test('a text without marks is one piece, an empty one none', () => {
  assert.deepEqual(pieces('5 * 3 is 15'), [{ text: '5 * 3 is 15', as: 'plain' }]);
  assert.deepEqual(pieces(''), []);
  assert.equal(marked('no * marks'), false);
  assert.equal(marked('**marks**'), true);
});

test('no letter is lost, whatever is typed', () => {
  for (const text of ['**', '***a***', '**a*b**', '[a](b', '*a\nb*', '** a **']) {
    const bare = (words) => words.replace(/[*[\]()]/g, '');
    assert.equal(
      bare(
        pieces(text)
          .map((piece) => piece.text)
          .join(''),
      ),
      bare(text),
    );
  }
});
