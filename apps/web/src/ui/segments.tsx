import { Label, Radio, RadioGroup } from '@headlessui/react';
import clsx from 'clsx';
import { memo, type ReactNode } from 'react';
import { sameChoice } from './same-choice.ts';
import { useNewest } from './use-newest.ts';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly text: ReactNode }[];
  readonly onChange: (value: T) => void;
  /** Show the label beside the choice; it is read out in any case. */
  readonly showLabel?: boolean;
  readonly wrap?: boolean;
}

/** One choice of a few, all visible. Arrow keys move it. It is drawn again only if what it displays has changed. */
export function Segments<T extends string>(props: Props<T>) {
  const onChange = useNewest(props.onChange);
  return <Drawn {...props} onChange={onChange as (value: string) => void} />;
}

const Drawn = memo(function Drawn({ label, value, options, onChange, showLabel = false, wrap = false }: Props<string>) {
  return (
    <RadioGroup value={value} onChange={onChange} className="flex items-center gap-2">
      <Label className={showLabel ? 'text-soft' : 'sr-only'}>{label}</Label>
      <div className={clsx('flex gap-px overflow-hidden rounded-lg border border-line bg-line', wrap && 'flex-wrap')}>
        {options.map((option) => (
          <Radio
            key={option.value}
            value={option.value}
            className={clsx(
              'flex min-h-9 grow pointer-coarse:min-h-11 items-center justify-center px-3 whitespace-nowrap focus-visible:-outline-offset-2',
              'bg-sheet text-ink hover:bg-sunk data-checked:bg-bar data-checked:text-onbar dark:data-checked:bg-ink dark:data-checked:text-ground',
            )}
          >
            {option.text}
          </Radio>
        ))}
      </div>
    </RadioGroup>
  );
}, sameChoice);
