import type { Result } from '@usual-drag/core/result';
import clsx from 'clsx';
import { useId, useRef, useState } from 'react';

export interface FieldProps<T> {
  readonly label: string;
  /** The value as it is printed. */
  readonly shown: string;
  readonly read: (text: string) => Result<T, { readonly message: string }>;
  readonly onCommit: (value: T) => void;
  readonly showLabel?: boolean;
  readonly placeholder?: string;
  readonly className?: string;
  readonly align?: 'left' | 'right';
  readonly id?: string;
  /** Whether it takes the cursor when it appears. */
  readonly autoFocus?: boolean;
  /** Row and column in a table that is walked by key. */
  readonly cell?: string;
}

/**
 * A value to be typed. It is taken when the field is left or Enter is pressed; what cannot be read stays as it was typed,
 * with the reason below. Escape brings the last good value back.
 */
export function ValueField<T>(props: FieldProps<T>) {
  const { label, shown, read, onCommit, showLabel = false, placeholder, className, align = 'left' } = props;
  const made = useId();
  const id = props.id ?? made;
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  // Enter commits and may move the focus on at once: what was taken then must not be taken again by the blur.
  const taken = useRef(false);

  const commit = (): void => {
    if (typed === null || taken.current) return;
    const result = read(typed);
    if (!result.ok) return setFault(result.fault.message);
    taken.current = true;
    setFault(null);
    setTyped(null);
    if (typed.trim() !== shown.trim()) onCommit(result.value);
  };

  return (
    <div className={clsx('flex flex-col', className)}>
      <label htmlFor={id} className={showLabel ? 'text-[13px] text-soft' : 'sr-only'}>
        {label}
      </label>
      <input
        id={id}
        autoFocus={props.autoFocus}
        value={typed ?? shown}
        placeholder={placeholder}
        autoComplete="off"
        spellCheck={false}
        aria-invalid={fault !== null}
        data-cell={props.cell}
        data-typing={typed !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={clsx(
          'figures min-h-8 w-full rounded-md border bg-transparent px-1.5 py-0.5',
          align === 'right' && 'text-right',
          fault
            ? 'border-fault'
            : showLabel
              ? 'border-line'
              : 'border-transparent hover:border-line focus:border-line focus:bg-sheet',
        )}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          taken.current = false;
          setTyped(event.target.value);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') {
            setTyped(null);
            setFault(null);
          }
        }}
      />
      {fault && (
        <p id={`${id}-fault`} role="alert" className="mt-0.5 max-w-64 text-[13px] leading-tight text-fault">
          {fault}
        </p>
      )}
    </div>
  );
}
