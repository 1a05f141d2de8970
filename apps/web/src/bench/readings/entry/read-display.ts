/** Text of a display's field as it was parsed. */
export interface TypedDisplay {
  /** Digits with sign and point, `OL` or its beginning; what cannot be read as it was typed. */
  readonly shown: string;
  /** The prefix that a letter or unit has set; null if none did. */
  readonly prefix: string | null;
  /** The unit of another quantity that was typed behind the number; null if none was. */
  readonly otherUnit: string | null;
  /** One prefix up or down, by `*` and `/` of the number pad; 0 if neither was typed. */
  readonly by: 1 | 0 | -1;
}

/**
 * Reads typed text as on a display: digits, point and sign, or OL, with a prefix by its letter or a whole unit behind.
 *
 * @param unit  V, A or Ω, what the display is in but for its prefix
 */
export function readDisplay(text: string, unit: string): TypedDisplay {
  const match = /^\s*([+\-−]?[\d.,]*|o?l?)\s*([a-zµμΩ*/]*)\s*$/iu.exec(text);
  if (!match) return { shown: text.trim(), prefix: null, otherUnit: null, by: 0 };
  const [, number = '', letters = ''] = match;
  const shown = /^o/i.test(number) ? number.toUpperCase() : number.replace(',', '.');
  const read = { shown, prefix: null, otherUnit: null, by: 0 } as const;
  if (letters.endsWith('*')) return { ...read, by: 1 };
  if (letters.endsWith('/')) return { ...read, by: -1 };
  if (/^o/i.test(letters) && !/^ohm/i.test(letters)) return { ...read, shown: letters.toUpperCase() };
  const otherUnit = otherUnitIn(letters, unit);
  if (otherUnit !== null) return { ...read, shown: text.trim(), otherUnit };
  return { ...read, prefix: letters === '' ? null : prefixIn(letters, unit) };
}

const prefixes: Readonly<Record<string, string>> = {
  u: 'µ',
  μ: 'µ',
  µ: 'µ',
  n: 'n',
  m: 'm',
  k: 'k',
  K: 'k',
  M: 'M',
  G: 'G',
};

/** Returns the prefix of letters after a number: none for the unit alone; null if they are no prefix. */
function prefixIn(letters: string, unit: string): string | null {
  const bare = letters.replace(new RegExp(`${unit === 'Ω' ? '(Ω|ohms?|r)' : unit}$`, 'i'), '');
  return bare === '' ? '' : (prefixes[bare] ?? null);
}

/** Units of the quantities that are read, as they are typed. */
const unitPatterns = { V: /V$|v$/, A: /A$|a$/, Ω: /(Ω|[Oo]hms?)$/ } as const;

/** The unit of another quantity at the end of some letters: `V` where amperes are read. */
function otherUnitIn(letters: string, unit: string): string | null {
  const found = Object.entries(unitPatterns).find(([name, pattern]) => name !== unit && pattern.test(letters));
  return found && !unitPatterns[unit as keyof typeof unitPatterns].test(letters) ? found[0] : null;
}
