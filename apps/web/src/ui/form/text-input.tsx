import clsx from 'clsx';
import { useId, useState, type ChangeEvent } from 'react';
import { useController } from 'react-hook-form';
import { DateField } from '../date-field.tsx';
import { useCommit } from './commit.ts';

interface Props {
  readonly name: string;
  readonly label: string;
  readonly type?: 'text' | 'date';
  readonly lines?: number;
  readonly placeholder?: string;
  readonly className?: string;
}

/** Text of a form, on one line or several. Text that is being typed remains when the document changes meanwhile. */
export function TextInput({ name, label, type = 'text', lines = 1, placeholder, className }: Props) {
  const id = useId();
  const commit = useCommit();
  const {
    field,
    fieldState: { error },
  } = useController({ name });
  const [typed, setTyped] = useState<string | null>(null);
  const handIn = (): void => {
    if (typed !== null) field.onChange(typed);
    setTyped(null);
    commit();
  };
  const look = clsx(
    'min-h-9 w-full rounded-md border bg-sheet px-2 py-1 text-[15px] text-ink pointer-coarse:min-h-11',
    error ? 'border-fault' : 'border-line',
  );
  const says = {
    ...field,
    value: typed ?? (field.value as string | undefined) ?? '',
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => setTyped(event.target.value),
    onBlur: handIn,
    id,
    'aria-invalid': error !== undefined,
    'aria-describedby': error ? `${id}-fault` : undefined,
  };
  return (
    <div className={clsx('flex flex-col', className)}>
      <label htmlFor={id} className="text-[13px] text-soft">
        {label}
      </label>
      {lines > 1 ? (
        <textarea {...says} rows={lines} placeholder={placeholder} className={look} />
      ) : type === 'date' ? (
        <DateField
          {...says}
          name={label}
          className={look}
          onType={setTyped}
          onPick={(day) => {
            setTyped(null);
            field.onChange(day);
            commit();
          }}
          onKeyDown={(event) => event.key === 'Enter' && handIn()}
        />
      ) : (
        <input
          {...says}
          placeholder={placeholder}
          autoComplete="off"
          className={look}
          onKeyDown={(event) => event.key === 'Enter' && handIn()}
        />
      )}
      {error && (
        <p id={`${id}-fault`} role="alert" className="text-[13px] text-fault">
          {label} {error.message}.
        </p>
      )}
    </div>
  );
}
