import { Label, Field, Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { Check, ChevronDown } from 'lucide-react';
import clsx from 'clsx';
import { memo, type ReactNode } from 'react';
import { sameChoice } from './same-choice.ts';
import { useNewest } from './use-newest.ts';

interface Option<T extends string> {
  readonly value: T;
  readonly text: ReactNode;
}

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
  readonly showLabel?: boolean;
  /** A short form of the label, shown before the value in one line with it. */
  readonly beside?: string;
  readonly className?: string;
  /** Shown where the value is none of the options; an empty value is one still to be chosen, any other a fault. */
  readonly missing?: string;
}

/** One choice of many. It is drawn again only if what it shows has changed. */
export function Choice<T extends string>(props: Props<T>) {
  const onChange = useNewest(props.onChange);
  return <Drawn {...props} onChange={onChange as (value: string) => void} />;
}

const Drawn = memo(function Drawn({
  label,
  value,
  options,
  onChange,
  showLabel = false,
  beside,
  className,
  missing,
}: Props<string>) {
  const chosen = options.find((option) => option.value === value);
  return (
    <Field className={clsx('flex', beside ? 'items-center gap-1.5' : 'flex-col', className)}>
      <Label className={showLabel ? 'text-[13px] text-soft' : 'sr-only'}>{label}</Label>
      {beside && (
        <span aria-hidden className="text-[14px] whitespace-nowrap text-soft">
          {beside}
        </span>
      )}
      <Listbox value={value} onChange={onChange}>
        <ListboxButton
          className={clsx(
            'flex min-h-9 w-full items-center justify-between gap-1 rounded-lg border bg-sheet px-2.5 text-left hover:border-soft',
            chosen || value === '' ? 'border-line' : 'border-fault text-fault',
          )}
        >
          <span className="truncate">{chosen?.text ?? missing ?? value}</span>
          <ChevronDown aria-hidden size={16} className="shrink-0 text-soft" />
        </ListboxButton>
        <ListboxOptions
          anchor={{ to: 'bottom start', gap: 4 }}
          className="z-30 max-h-80 min-w-(--button-width) overflow-auto rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
        >
          {options.map((option) => (
            <ListboxOption
              key={option.value}
              value={option.value}
              className="group flex min-h-9 items-center gap-2 rounded-md px-2 data-focus:bg-sunk"
            >
              <Check aria-hidden size={16} className="invisible shrink-0 group-data-selected:visible" />
              {option.text}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
    </Field>
  );
}, sameChoice);
