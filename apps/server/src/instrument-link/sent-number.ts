import { prefixByExponent } from '@usual-drag/core/quantity';
import type { Observation } from '@usual-drag/core/readings';
import { LinkFailure } from './link-failure.ts';

/** Relative difference within which a number is the standard's mark. */
const sameMark = 1e-6;

/** From here on a number is a code for a value that cannot be measured (SCPI-99): 9.9E37 is over range, 9.91E37 not a number. */
const overRange = 9.9e37;
const notANumber = 9.91e37;

/** Digits that a display of a record may have before, and behind, its point. */
const mostDigits = 15;

/**
 * A number as an instrument sends it (NR1, NR2 or NR3 of IEEE 488.2), as a display would have it: the digits as they were sent, the
 * power of ten as a prefix.
 *
 * @param unit  V, A or Ω
 * @throws LinkFailure if it is no number, or the code for a missing one
 */
export function observationOf(sent: string, unit: string): Observation {
  const match = /^\s*([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d{1,3}))?\s*$/.exec(sent);
  const [, sign = '', whole = '', fraction = '', exponent = '0'] = match ?? [];
  if (!match || whole + fraction === '')
    throw new LinkFailure(`The instrument sent ${quoted(sent)}, which is no number. Nothing was written down.`);
  const size = Math.abs(Number(sent));
  if (Math.abs(size / notANumber - 1) < sameMark)
    throw new LinkFailure('The instrument says that it has no valid reading (9.91E37). Nothing was written down.');
  if (size >= overRange) return { shown: 'OL', unit };
  const digits = whole + fraction;
  const point = whole.length + Number(exponent);
  const leading = digits.search(/[1-9]/);
  const power = leading === -1 ? 0 : Math.floor((point - leading - 1) / 3) * 3;
  const prefix = Math.min(9, Math.max(-9, power));
  const shown = withPoint(digits, point - prefix);
  if (shown === null)
    throw new LinkFailure(
      `The instrument sent ${quoted(sent)}, a number far from anything that it can read. Nothing was written down.`,
    );
  return { shown: (sign === '-' ? '-' : '') + shown, unit: prefixByExponent[prefix]! + unit };
}

/** Digits with a point after so many of them; null if that takes more zeros than a display has. */
function withPoint(digits: string, point: number): string | null {
  if (point > mostDigits || point < -mostDigits) return null;
  const padded = point <= 0 ? '0'.repeat(1 - point) + digits : digits.padEnd(point, '0');
  const at = Math.max(1, point);
  const whole = padded.slice(0, at).replace(/^0+(?=\d)/, '');
  const fraction = padded.slice(at, at + mostDigits);
  return fraction === '' ? whole : `${whole}.${fraction}`;
}

/** Returns a received text without characters that a screen cannot display, cut to a length that fits a message. */
export const quoted = (sent: string): string =>
  `“${[...sent.slice(0, 60)].map((c) => (/[\p{L}\p{N}\p{P}\p{S} ]/u.test(c) ? c : '�')).join('')}${sent.length > 60 ? '…' : ''}”`;
