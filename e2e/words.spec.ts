import { expect, test } from './demo-page.ts';
import { privateWord } from './private-words.ts';

test('the check itself finds a private word, and leaves longer words alone', () => {
  expect(privateWord.test('What it looks into')).toBe(true);
  expect(privateWord.test('Draws')).toBe(true);
  for (const word of ['Standard deviation', 'Placement', 'Returns', 'Almost', 'Spring', 'Drawing'])
    expect(privateWord.test(word)).toBe(false);
});
