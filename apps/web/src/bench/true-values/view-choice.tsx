import { Segments } from '../../ui/segments.tsx';

const views = {
  circuit: 'Circuit',
  working: 'Working',
  equations: 'Node equations',
  superposition: 'Superposition',
  'what-if': 'What if',
  tolerance: 'Tolerance',
} as const;

/** What stands on the sheet of the second step. */
export type View = keyof typeof views;

export const isView = (text: string | undefined): text is View => text !== undefined && text in views;

export function ViewChoice({ view, onChange }: { readonly view: View; readonly onChange: (view: View) => void }) {
  return (
    <div className="shrink-0 px-4 pt-3 print:hidden">
      <Segments
        label="What the sheet shows"
        value={view}
        options={Object.entries(views).map(([value, text]) => ({ value: value as View, text }))}
        onChange={onChange}
      />
    </div>
  );
}
