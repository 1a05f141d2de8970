import type { Page } from '@playwright/test';

/** Words of a private language: each has a word of the field's in its place. */
const banned = [
  'shows',
  'as read',
  'stands',
  'drags?',
  'taken',
  'leave(?: it)?',
  'looks? into',
  'its ohms',
  'doubt',
  'side by side',
  'enough for',
  'even(?:ly)?',
  'draws?',
  'least',
  'most',
  'warmth',
  'mishaps?',
  'gains each k',
  'ring',
  'tapped',
  'slips?',
  'on purpose',
  'handled',
  'rightly',
  'turn',
  'follow',
  'keep it so',
  'ranges by itself',
  'every … months',
  'in and out',
  'put away',
  'brings? back',
  'workpiece',
  'place',
  'rungs?',
  'ladder',
  'islands?',
  'joints?',
  'take away',
  'repeated',
  'breach',
  'shel(?:f|ved)',
  'station(?!s? of)',
  'standing',
  'revision \\d+',
];
export const privateWord = new RegExp(`\\b(?:${banned.join('|')})\\b`, 'i');
/** What is called so outside: the plant's name, and notes about its parts. */
const names = /Saltmarsh Lift Station/gi;

/** Every text that names something: of controls, headings, columns, tabs and what is told to a screen reader. */
const labelsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const labels = new Set<string>();
    const named =
      'button, a, label, legend, h1, h2, h3, th, dt, summary, option, figcaption, [role="tab"], [role="option"]';
    for (const element of document.querySelectorAll<HTMLElement>(named)) labels.add(element.innerText);
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder]'))
      for (const name of ['aria-label', 'title', 'placeholder']) labels.add(element.getAttribute(name) ?? '');
    return [...labels].map((text) => text.replace(/\s+/g, ' ').trim()).filter(Boolean);
  });

/** Returns the labels of a page that have a private word. */
export async function privateLabels(page: Page): Promise<string[]> {
  return (await labelsOf(page)).flatMap((label) => {
    const word = privateWord.exec(label.replace(names, ''));
    return word ? [`“${word[0]}” in “${label}”`] : [];
  });
}
