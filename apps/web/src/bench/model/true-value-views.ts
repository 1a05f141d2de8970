/** Views of the second step. */
export const trueViews = [
  { value: 'circuit', text: 'Circuit' },
  { value: 'working', text: 'Working' },
  { value: 'equations', text: 'Node equations' },
  { value: 'superposition', text: 'Superposition' },
  { value: 'what-if', text: 'What if' },
  { value: 'tolerance', text: 'Tolerance' },
] as const;

export type View = (typeof trueViews)[number]['value'];

export const isView = (text: string | undefined): text is View => trueViews.some(({ value }) => value === text);
