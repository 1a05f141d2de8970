import { formatQuantity } from '../quantity/index.ts';
import { unitOfSheet, type SheetQuantity } from './worksheet.ts';
import type { Application } from './sheet-rules.ts';

/** Returns a value as it is written in a step; for reading only, the next step takes the full number. */
export const written = (value: number, quantity: SheetQuantity): string =>
  formatQuantity(value, unitOfSheet[quantity], { digits: 4, trim: true });

/** A rule with its numbers in it: `12 V / 24 Ω = 500 mA`. */
export function stepText(
  { of, quantity, from, form, signs = [] }: Application,
  value: number,
  valueOf: (of: string, quantity: SheetQuantity) => number,
): string {
  const result = written(value, quantity);
  const [a = '', b = ''] = from.map((one) => written(valueOf(one.of, one.quantity), one.quantity));
  const sign = value < 0 ? '−' : '';
  switch (form) {
    case 'ratio':
      return `${a} / ${b} = ${result}`;
    case 'product':
      return `${a} × ${b} = ${result}`;
    case 'square':
      return `(${a})² × ${b} = ${result}`;
    case 'square-ratio':
      return `(${a})² / ${b} = ${result}`;
    case 'root':
      return `${sign}√(${a} × ${b}) = ${result}`;
    case 'root-ratio':
      return `${sign}√(${a} / ${b}) = ${result}`;
    case 'same':
      return `the same ${quantity} as ${from[0]!.of}${signs[0] === -1 ? ', counted the other way' : ''}: ${result}`;
    case 'zero':
      return from.length > 0
        ? `no ${from[0]!.quantity}, no ${quantity}: ${result}`
        : quantity === 'current'
          ? `${of} leads nowhere: ${result}`
          : `both ends of ${of} are on one node: ${result}`;
    case 'sum': {
      const terms = from.map((one, k) => {
        const term = valueOf(one.of, one.quantity);
        return { minus: (signs[k] === -1) !== term < 0, size: written(Math.abs(term), one.quantity) };
      });
      // What is added comes first, as one writes it.
      const ordered = [...terms.filter(({ minus }) => !minus), ...terms.filter(({ minus }) => minus)];
      const sum = ordered.map(({ minus, size }, k) =>
        k === 0 ? (minus ? `−${size}` : size) : `${minus ? '−' : '+'} ${size}`,
      );
      return `${sum.join(' ')} = ${result}`;
    }
    case 'whole':
      return `${of}: ${result}`;
  }
}
