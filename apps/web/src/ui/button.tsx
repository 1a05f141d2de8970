import clsx from 'clsx';
import type { ComponentProps } from 'react';

type Props = ComponentProps<'button'> & { readonly tone?: 'plain' | 'strong' | 'quiet' };

/** A button of ours: plain on a sheet, strong for the one thing to do next, quiet among text. */
export function Button({ tone = 'plain', className, ...rest }: Props) {
  return (
    <button
      type="button"
      className={clsx(
        'inline-flex min-h-9 items-center pointer-coarse:min-h-11 gap-1.5 rounded-lg px-3 py-1 text-[15px] whitespace-nowrap disabled:opacity-45',
        tone === 'plain' && 'border border-line bg-sheet text-ink hover:border-soft',
        tone === 'strong' && 'bg-bar text-onbar hover:opacity-90 dark:border dark:border-soft',
        tone === 'quiet' && 'text-ink hover:bg-sunk',
        className,
      )}
      {...rest}
    />
  );
}
