import type { Band } from '../../quantity/index.ts';
import type { Tone } from './mark.ts';

/** Colours of the bands as they are painted, the same in every theme. They are the part's own; its value is always beside them. */
export const bandInks: Readonly<Record<Band | 'body', string>> = {
  body: '#e3d2ac',
  black: '#1b1b1b',
  brown: '#744523',
  red: '#b8322a',
  orange: '#e07b1a',
  yellow: '#f0c52f',
  green: '#2e8540',
  blue: '#2b5fa8',
  violet: '#7b4aa0',
  grey: '#8a8a8a',
  white: '#f7f7f4',
  gold: '#c9a227',
  silver: '#b9bcc0',
  pink: '#e59ab5',
};

/** Returns the colour of a band's tone; undefined for other tones, which the theme assigns. */
export const bandInk = (tone: Tone): string | undefined =>
  tone.startsWith('band-') ? bandInks[tone.slice('band-'.length) as Band | 'body'] : undefined;
