import type { BudgetLine } from '@usual-drag/core/uncertainty';
import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { shareText } from './share-text.ts';

/** Contributions that have a bar of their own; the rest is in the table. */
const most = 6;

/** Bars of the shares of u², the largest on top. */
export function ShareChart({ lines }: { readonly lines: readonly BudgetLine[] }) {
  const rows = lines.slice(0, most).map(({ name, share }) => ({
    name: name.replace(/^the /, ''),
    share,
    text: shareText(share),
  }));
  return (
    <div
      role="img"
      aria-label={`Shares: ${rows.map(({ name, text }) => `${name} ${text}`).join(', ')}`}
      className="min-w-0 overflow-hidden"
      style={{ height: 12 + 26 * rows.length }}
    >
      <ResponsiveContainer>
        <BarChart data={rows} layout="vertical" margin={{ left: 4, right: 56, top: 2, bottom: 2 }} barCategoryGap={5}>
          <XAxis type="number" domain={[0, 1]} hide />
          <YAxis type="category" dataKey="name" width={190} stroke="var(--ink)" fontSize={13} tickLine={false} />
          <Bar dataKey="share" fill="var(--ink)" isAnimationActive={false}>
            <LabelList dataKey="text" position="right" fill="var(--ink)" fontSize={13} />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
