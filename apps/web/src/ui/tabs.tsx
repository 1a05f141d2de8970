import { Tab, TabGroup, TabList } from '@headlessui/react';
import clsx from 'clsx';
import { Activity, useState, type ReactNode } from 'react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly text: string }[];
  readonly onChange: (value: T) => void;
  readonly className?: string;
  /** All visible side by side, long names in two lines. */
  readonly narrow?: boolean;
}

/** A row of tabs, one of them open. Arrow keys move along it. */
export function TabRow<T extends string>({ label, value, options, onChange, className, narrow = false }: Props<T>) {
  const open = options.findIndex((option) => option.value === value);
  return (
    <TabGroup
      selectedIndex={Math.max(0, open)}
      onChange={(index) => onChange(options[index]!.value)}
      className={clsx('border-b border-line', className)}
    >
      <TabList aria-label={label} className="-mb-px flex gap-x-0.5 overflow-x-auto [scrollbar-width:none]">
        {options.map((option) => (
          <Tab
            key={option.value}
            className={clsx(
              'min-h-9 rounded-t-md border-b-[3px] border-transparent text-soft hover:bg-sunk focus-visible:-outline-offset-2',
              narrow ? 'min-w-13 grow px-0.5 text-[13px] leading-[1.15]' : 'shrink-0 px-2 whitespace-nowrap',
              'data-selected:border-(--ochre-line) data-selected:font-bold data-selected:text-ink pointer-coarse:min-h-11',
            )}
          >
            {option.text}
          </Tab>
        ))}
      </TabList>
    </TabGroup>
  );
}

/** The panels under a row of tabs. One that was opened keeps what was typed in it while another is open. */
export function TabPanels<T extends string>({
  value,
  options,
  panel,
}: Pick<Props<T>, 'value' | 'options'> & { readonly panel: (value: T) => ReactNode }) {
  const [opened, setOpened] = useState<readonly T[]>([value]);
  if (!opened.includes(value)) setOpened([...opened, value]);
  return options
    .filter((option) => opened.includes(option.value))
    .map((option) => (
      <Activity key={option.value} mode={option.value === value ? 'visible' : 'hidden'}>
        <div role="tabpanel" aria-label={option.text}>
          {panel(option.value)}
        </div>
      </Activity>
    ));
}
