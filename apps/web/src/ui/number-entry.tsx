import type { Limit, Result } from '@usual-drag/core';
import { numberField } from './number-field.ts';
import { ValueField } from './value-field.tsx';

interface Fault {
  readonly message: string;
}

interface Props<T extends object> {
  readonly of: T;
  readonly name: keyof T & string;
  readonly label: string;
  readonly writing: {
    readonly parse: (text: string) => Result<number, Fault>;
    readonly print: (value: number) => string;
  };
  readonly limit?: Limit;
  readonly needed?: boolean;
  readonly placeholder?: string;
  readonly className?: string;
  /** What else the whole must hold to with the number in it. */
  readonly check?: (next: T) => Result<unknown, Fault>;
  readonly onChange: (next: T) => void;
}

/** A number under a key of something, typed in its own field; left empty, the key goes. */
export function NumberEntry<T extends object>(props: Props<T>) {
  const {
    of,
    name,
    label,
    writing,
    limit = 'positive',
    needed = false,
    placeholder,
    className,
    check,
    onChange,
  } = props;
  const field = numberField<T>(of, name, { label, limit, needed, ...writing });
  return (
    <ValueField
      label={label}
      showLabel
      {...(className && { className })}
      {...(placeholder && { placeholder })}
      shown={field.shown}
      read={(text) => {
        const read = field.read(text);
        if (!read.ok || !check) return read;
        const held = check(field.put(read.value));
        return held.ok ? read : held;
      }}
      onCommit={(value) => onChange(field.put(value))}
    />
  );
}
