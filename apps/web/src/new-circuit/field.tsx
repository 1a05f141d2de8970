import clsx from 'clsx';
import { useId } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly hint?: string | undefined;
  /** Why it cannot be taken. */
  readonly fault?: string | undefined;
}

/** A text that is taken as it is typed. */
export function Field({ label, value, onChange, hint, fault }: Props) {
  const id = useId();
  const said = fault ?? hint;
  return (
    <div className="flex flex-col">
      <label htmlFor={id} className="text-[13px] text-soft">
        {label}
      </label>
      <input
        id={id}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        aria-invalid={fault !== undefined}
        aria-describedby={said === undefined ? undefined : `${id}-said`}
        className={clsx(
          'min-h-9 w-full rounded-md border bg-sheet px-2 py-1 text-ink pointer-coarse:min-h-11',
          fault === undefined ? 'border-line' : 'border-fault',
        )}
      />
      {said !== undefined && (
        <p
          id={`${id}-said`}
          role={fault === undefined ? undefined : 'alert'}
          className={clsx('text-[13px]', fault === undefined ? 'text-soft' : 'text-fault')}
        >
          {said}
        </p>
      )}
    </div>
  );
}
