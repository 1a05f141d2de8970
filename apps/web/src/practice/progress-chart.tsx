import type { KindProgress } from '@usual-drag/core/practice';
import { Bar, BarChart, CartesianGrid, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { kindWords } from './kind-words.ts';

/** Attempts by kind: right without a hint, and not. */
export function ProgressChart({ progress }: { readonly progress: readonly KindProgress[] }) {
  const rows = progress.map(({ kind, attempts, right }) => ({ name: kindWords[kind], right, not: attempts - right }));
  return (
    <figure className="flex min-w-0 flex-col overflow-hidden gap-1 rounded-xl border border-line bg-sheet p-3">
      <figcaption className="flex flex-wrap gap-4 text-[14px]">
        <span>
          <span aria-hidden className="mr-1.5 inline-block size-3 bg-ink" /> right without a hint
        </span>
        <span>
          <span aria-hidden className="mr-1.5 inline-block size-3 border border-ink bg-sunk" /> not
        </span>
      </figcaption>
      <div
        className="min-w-0 overflow-hidden"
        role="img"
        aria-label={`Attempts by kind: ${rows.map(({ name, right, not }) => `${name}, ${right} of ${right + not} right`).join('; ')}`}
        style={{ height: 48 + 34 * rows.length }}
      >
        <ResponsiveContainer>
          <BarChart data={rows} layout="vertical" margin={{ left: 8, right: 16 }}>
            <CartesianGrid stroke="var(--line)" horizontal={false} />
            <XAxis type="number" allowDecimals={false} stroke="var(--soft)" fontSize={13} />
            <YAxis type="category" dataKey="name" width={190} stroke="var(--ink)" fontSize={13} />
            <Bar dataKey="right" stackId="a" fill="var(--ink)" isAnimationActive={false} />
            <Bar dataKey="not" stackId="a" fill="var(--sunk)" stroke="var(--ink)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
