/** SI prefixes by power of ten, as they are printed. */
export const prefixByExponent: Readonly<Record<number, string>> = {
  [-15]: 'f',
  [-12]: 'p',
  [-9]: 'n',
  [-6]: 'µ',
  [-3]: 'm',
  0: '',
  3: 'k',
  6: 'M',
  9: 'G',
  12: 'T',
};

/** The power of ten of a prefix as it is typed; `u` and both code points of mu are micro, `K` is kilo. */
export const exponentByPrefix: Readonly<Record<string, number>> = {
  f: -15,
  p: -12,
  n: -9,
  u: -6,
  µ: -6,
  μ: -6,
  m: -3,
  k: 3,
  K: 3,
  M: 6,
  G: 9,
  T: 12,
};

/** Power of ten of the smallest prefix, f. */
export const smallestExponent = -15;
/** Power of ten of the largest prefix, T. */
export const largestExponent = 12;
