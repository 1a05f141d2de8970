import { fail, ok, type Result } from '@usual-drag/core/result';
import { limitViolation, type Limit } from '@usual-drag/core/network';
import { useController } from 'react-hook-form';
import { ValueField } from '../value-field.tsx';
import { useCommit } from './commit.ts';

interface Fault {
  readonly message: string;
}

interface Props {
  /** The key's path in the document: `parts.tolerance`. */
  readonly name: string;
  readonly label: string;
  /** Conversion of the number to text and back. */
  readonly writing: {
    readonly parse: (text: string) => Result<number, Fault>;
    readonly print: (value: number) => string;
  };
  readonly limit?: Limit;
  /** It cannot be left out. */
  readonly needed?: boolean;
  /** Further condition on the number. */
  readonly check?: (value: number | undefined) => Result<unknown, Fault>;
  /** Takes the number if more follows from it than its own key. */
  readonly onTake?: (value: number | undefined) => void;
  readonly placeholder?: string;
  readonly className?: string;
}

/** Number of a form, typed with its unit; an empty field removes its key. */
export function NumberInput(props: Props) {
  const { name, label, writing, limit = 'positive', needed = false, check, onTake, placeholder, className } = props;
  const commit = useCommit();
  const { field, fieldState } = useController({ name });
  const value = field.value as number | undefined;
  const read = (text: string): Result<number | undefined, Fault> => {
    if (text.trim() === '') return needed ? fail({ message: `${label} is required.` }) : held(undefined);
    const parsed = writing.parse(text);
    if (!parsed.ok) return parsed;
    const violation = limitViolation(limit, parsed.value);
    return violation ? fail({ message: `${label} ${violation}.` }) : held(parsed.value);
  };
  const held = (next: number | undefined): Result<number | undefined, Fault> => {
    const checked = check?.(next);
    return checked && !checked.ok ? checked : ok(next);
  };
  return (
    <div className={className}>
      <ValueField<number | undefined>
        label={label}
        showLabel
        shown={value === undefined ? '' : writing.print(value)}
        {...(placeholder !== undefined && { placeholder })}
        read={read}
        onCommit={(next) => {
          if (onTake) return onTake(next);
          field.onChange(next);
          commit();
        }}
      />
      {fieldState.error && (
        <p role="alert" className="text-[13px] text-fault">
          {label} {fieldState.error.message}.
        </p>
      )}
    </div>
  );
}
