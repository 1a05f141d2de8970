import clsx from 'clsx';
import { CalendarDays } from 'lucide-react';
import { useRef, type ComponentProps } from 'react';

interface Props extends Omit<ComponentProps<'input'>, 'type' | 'value' | 'onChange' | 'className'> {
  /** As typed. */
  readonly value: string;
  readonly onType: (text: string) => void;
  /** Takes a day chosen in the browser's calendar, `2026-11-30`. */
  readonly onPick: (day: string) => void;
  /** Name of the date, for the label of the calendar button. */
  readonly name: string;
  readonly className?: string;
}

/** Field for a date in the form `2026-11-30`, whatever the language of the browser, with the browser's calendar. */
export function DateField({ value, onType, onPick, name, className, ...field }: Props) {
  const calendar = useRef<HTMLInputElement>(null);
  return (
    <span className="relative flex items-stretch gap-0.5">
      <input
        {...field}
        data-typing="true"
        inputMode="numeric"
        autoComplete="off"
        placeholder="2026-11-30"
        maxLength={10}
        value={value}
        onChange={(event) => onType(event.target.value)}
        className={clsx('min-w-0 grow', className)}
      />
      <button
        type="button"
        aria-label={`Calendar: ${name}`}
        title="Calendar"
        className="grid min-h-9 w-8 shrink-0 place-items-center rounded-lg border border-line bg-sheet text-soft hover:border-soft hover:text-ink pointer-coarse:min-h-11 pointer-coarse:w-11"
        onClick={() => calendar.current?.showPicker()}
      >
        <CalendarDays aria-hidden size={16} />
      </button>
      <input
        ref={calendar}
        type="date"
        tabIndex={-1}
        aria-hidden
        className="pointer-events-none absolute right-0 bottom-0 size-0 opacity-0"
        value={/^\d{4}-\d\d-\d\d$/.test(value) ? value : ''}
        onChange={(event) => event.target.value !== '' && onPick(event.target.value)}
      />
    </span>
  );
}
