import { fail, ok, type Result } from '@usual-drag/core/result';
import { formatPercent, formatQuantity, parsePercent, parseQuantity, type Unit } from '@usual-drag/core/quantity';
import { limitViolation, type Limit } from '@usual-drag/core/network';

interface Fault {
  readonly message: string;
}

/** Number under a key of an object, as it is typed and displayed. Undefined means omitted. */
export interface NumberField<T> {
  readonly key: string;
  readonly label: string;
  readonly shown: string;
  readonly read: (text: string) => Result<unknown, Fault>;
  readonly put: (value: unknown) => T;
}

/** Conversion of a number to text and back. */
interface Writing {
  readonly parse: (text: string) => Result<number, Fault>;
  readonly print: (value: number) => string;
}

interface Kind extends Writing {
  readonly label: string;
  readonly limit: Limit;
  /** It cannot be left out. */
  readonly needed?: boolean;
}

export const inUnit = (unit: Unit): Writing => ({
  parse: (text) => parseQuantity(text, unit),
  print: (value) => formatQuantity(value, unit, { digits: 6, trim: true }),
});

export const inPercent: Writing = {
  parse: parsePercent,
  print: (value) => formatPercent(value, { digits: 4, trim: true }),
};

export const asCount: Writing = {
  parse: (text) => (/^\d+$/.test(text.trim()) ? ok(Number(text)) : fail({ message: 'A whole number.' })),
  print: String,
};

export const asPlainNumber: Writing = {
  parse: (text) => {
    const typed = text.trim().replace(',', '.');
    return /^\d*\.?\d+$/.test(typed) ? ok(Number(typed)) : fail({ message: 'A plain number, for example 0.55.' });
  },
  print: String,
};

/** Returns the field for a number under a key: a typed value is held to the key's limit; an empty field removes the key. */
export function numberField<T extends object>(of: T, key: string, kind: Kind): NumberField<T> {
  const { label, limit, needed = false, parse, print } = kind;
  const value = (of as Readonly<Record<string, number | undefined>>)[key];
  return {
    key,
    label,
    shown: value === undefined ? '' : print(value),
    read: (text) => {
      if (text.trim() === '' && !needed) return ok(undefined);
      const parsed = parse(text);
      if (!parsed.ok) return parsed;
      const violation = limitViolation(limit, parsed.value);
      return violation ? fail({ message: `${label} ${violation}.` }) : parsed;
    },
    put: (next) => {
      const { [key]: _old, ...rest } = of as Record<string, unknown>;
      return (next === undefined ? rest : { ...rest, [key]: next }) as T;
    },
  };
}
