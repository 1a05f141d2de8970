import { fail, ok } from '@usual-drag/core/result';
import { Plus, Trash2 } from 'lucide-react';
import { Button } from '../ui/button.tsx';
import { ValueField } from '../ui/value-field.tsx';
import type { Column } from './range-columns.ts';

interface Props<R extends { readonly id: string }> {
  readonly title: string;
  readonly ranges: readonly R[];
  readonly columns: readonly Column<R>[];
  readonly onChange: (ranges: readonly R[]) => void;
  readonly onAdd: () => void;
}

/** Fields as wide as their text: no unit is cut off. */
const wholeText = '[&_input]:field-sizing-content [&_input]:w-auto [&_input]:min-w-full';

/** The ranges of one function as a table to type into. */
export function RangeTable<R extends { readonly id: string }>({ title, ranges, columns, onChange, onAdd }: Props<R>) {
  const put = (index: number, range: R): void => onChange(ranges.map((other, k) => (k === index ? range : other)));
  return (
    <section aria-label={title}>
      <div className="mb-1 flex items-center gap-3">
        <h2 className="text-[17px] font-bold">{title}</h2>
        <Button tone="quiet" aria-label={`Range for ${title}`} onClick={onAdd}>
          <Plus aria-hidden size={15} /> Range
        </Button>
      </div>
      {ranges.length === 0 ? (
        <p className="text-[14px] text-soft">This instrument does not measure this quantity.</p>
      ) : (
        <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={`${title}, ranges`}>
          <table className="w-full border-collapse text-[14px]">
            <thead className="text-[13px] text-soft">
              <tr className="border-b border-line">
                <th scope="col" className="px-1.5 py-1 text-left font-medium">
                  Range
                </th>
                {columns.map(({ head }) => (
                  <th key={head} scope="col" className="px-1.5 py-1 text-right font-medium">
                    {head}
                  </th>
                ))}
                <th scope="col" className="w-9">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {ranges.map((range, index) => (
                <tr key={index} className="border-b border-line/60">
                  <td>
                    <ValueField
                      label={`Name of range ${range.id}`}
                      className={wholeText}
                      shown={range.id}
                      read={(typed) => {
                        const id = typed.trim();
                        const taken = ranges.some((other, k) => k !== index && other.id === id);
                        if (id === '' || id.length > 64) return fail({ message: '1 to 64 characters.' });
                        return taken ? fail({ message: `${id} already exists.` }) : ok(id);
                      }}
                      onCommit={(id) => put(index, { ...range, id })}
                    />
                  </td>
                  {columns.map(({ head, of }) => {
                    const field = of(range);
                    return (
                      <td key={head}>
                        <ValueField
                          label={`${range.id}, ${field.label}`}
                          className={wholeText}
                          shown={field.shown}
                          placeholder="–"
                          align="right"
                          read={field.read}
                          onCommit={(value) => put(index, field.put(value))}
                        />
                      </td>
                    );
                  })}
                  <td>
                    <Button
                      tone="quiet"
                      className="px-2"
                      aria-label={`Remove range ${range.id}`}
                      onClick={() => onChange(ranges.filter((_, k) => k !== index))}
                    >
                      <Trash2 aria-hidden size={15} />
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
