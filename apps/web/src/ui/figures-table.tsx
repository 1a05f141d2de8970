import clsx from 'clsx';
import type { ReactNode } from 'react';

interface Props {
  readonly head: readonly string[];
  readonly rows: readonly { readonly key: string; readonly cells: readonly ReactNode[]; readonly strong?: boolean }[];
  readonly label: string;
  readonly selected?: string | null;
  readonly onSelect?: (key: string) => void;
  /** Whether the table stands in a region that scrolls sideways: no figure then breaks. */
  readonly scrolls?: boolean;
}

/** A table of figures: names at the left, the rest at the right. */
export function FiguresTable({ head, rows, label, selected, onSelect, scrolls = false }: Props) {
  return (
    <table aria-label={label} className="w-full border-collapse text-[14px] max-sm:text-[13px]">
      <thead className="text-[13px] text-soft">
        <tr className="border-b border-line">
          {head.map((text, index) => (
            <th
              key={text}
              scope="col"
              className={clsx(
                'px-1.5 py-1 font-medium',
                scrolls && 'whitespace-nowrap',
                index === 0 ? 'text-left' : 'text-right',
              )}
            >
              {text}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, cells, strong = false }) => (
          <tr
            key={key}
            className={clsx('border-b border-line/60', selected === key && 'bg-sunk', strong && 'font-bold')}
            onClick={onSelect && (() => onSelect(key))}
          >
            {cells.map((cell, index) =>
              index === 0 ? (
                <th key={index} scope="row" className="px-1.5 py-0.5 text-left font-bold">
                  {cell}
                </th>
              ) : (
                <td
                  key={index}
                  className={clsx(
                    'figures px-1.5 py-0.5 text-right max-sm:px-1 sm:whitespace-nowrap',
                    scrolls ? 'whitespace-nowrap' : 'max-sm:[overflow-wrap:anywhere]',
                  )}
                >
                  {cell}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
