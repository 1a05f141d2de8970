import type { Network } from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import clsx from 'clsx';
import { ClipboardPaste, Trash2 } from 'lucide-react';
import {
  memo,
  Suspense,
  useCallback,
  useState,
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
} from 'react';
import { Button } from '../../ui/button.tsx';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { benchNow, useBench } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import { useSelection } from '../model/selection.ts';
import { AddPart } from './add-part.tsx';
import { remove } from '../model/editing.ts';
import { NewPartRow } from './new-part-row.tsx';
import { PartRow } from './part-row.tsx';

/** Comes with the reader of spreadsheet cells, when first asked for. */
const PasteParts = fetchedLater(async () => (await import('./paste-parts.tsx')).PasteParts);

const headings = [
  ['Part', '12fr'],
  ['From', '10fr'],
  ['To', '9fr'],
  ['Value', '18fr'],
  ['Tol., r', '16fr'],
  ['Rated', '16fr'],
  ['Measured', '19fr'],
] as const;
const columns = { '--columns': headings.map(([, share]) => `minmax(0,${share})`).join(' ') };

/** Rows that have their fields from the beginning; as many are laid out at once (`.long-rows` in styles.css). */
const inSight = 20;

/**
 * The parts as a table to type into, with the keys of a spreadsheet: Tab goes on, Enter and the arrows go down, the row
 * below the last makes a new part, rows can be pasted, and several removed at once.
 */
export const PartsTable = memo(function PartsTable({ network }: { readonly network: Network }) {
  const edit = useBench((state) => state.edit);
  const { parts, selectParts } = useSelection();
  const [pasting, setPasting] = useState<string | null>(null);
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const findScroller = useCallback((section: HTMLElement | null) => setScroller(section?.closest('aside') ?? null), []);
  const here = parts.filter((id) => network.elements.some((element) => element.id === id));

  const move = (event: KeyboardEvent<HTMLTableElement>): void => {
    const cell = (event.target as HTMLElement).dataset.cell;
    if (cell === undefined) return;
    const [row, column] = cell.split(':') as [string, string];
    const rows = [...network.elements.map(({ id }) => id), 'new'];
    const at = rows.indexOf(row);
    if (event.key === 'Delete' && event.ctrlKey) {
      event.preventDefault();
      return remove(here.includes(row) ? here : [row]);
    }
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' || event.key === 'Enter' ? 1 : 0;
    const next = rows[at + step];
    if (step === 0 || next === undefined) return;
    event.preventDefault();
    if (event.shiftKey && next !== 'new') selectParts([...new Set([...here, row, next])]);
    const wanted = (name: string) => document.querySelector<HTMLElement>(`[data-cell="${CSS.escape(next)}:${name}"]`);
    (wanted(column) ?? wanted('3'))?.focus();
  };
  /** Takes rows at once if all can be read; else they are laid out to be mended. */
  const takeRows = async (text: string): Promise<void> => {
    const { readRows } = await import('./read-rows.ts');
    const { elements, faults } = readRows(text, benchNow().document.network);
    if (faults.length > 0 || elements.length === 0) return setPasting(text);
    edit((job) => changeNetwork(job, { ...job.network, elements: [...job.network.elements, ...elements] }));
    selectParts(elements.map(({ id }) => id));
    sayUndoable(`${elements.length} parts added.`);
  };
  const paste = (event: ClipboardEvent): void => {
    const text = event.clipboardData.getData('text');
    if (!/\t|\n./.test(text.trim())) return;
    event.preventDefault();
    void takeRows(text);
  };

  return (
    <section ref={findScroller} aria-label="Parts" className="own-layer" onPaste={paste}>
      <table className="long-rows text-[14px]" style={columns as CSSProperties} onKeyDown={move}>
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            {headings.map(([text], index) => (
              <th
                key={text}
                scope="col"
                className={clsx('px-1 py-1 font-medium', index < 3 ? 'text-left' : 'text-right')}
              >
                {text}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {network.elements.map((element, index) => (
            <PartRow
              key={element.id}
              element={element}
              early={index < inSight}
              scroller={scroller}
              selected={here.includes(element.id)}
            />
          ))}
          <NewPartRow columns={headings.length} network={network} />
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap gap-2">
        <AddPart />
        <Button onClick={() => setPasting(pasting ?? '')}>
          <ClipboardPaste aria-hidden size={16} /> From a spreadsheet
        </Button>
        {here.length > 0 && (
          <Button disabled={network.elements.length <= here.length} onClick={() => remove(here)}>
            <Trash2 aria-hidden size={16} /> Remove {here.join(', ')}
          </Button>
        )}
      </div>
      {pasting !== null && (
        <div className="mt-2">
          <Suspense>
            <PasteParts text={pasting} onChange={setPasting} onClose={() => setPasting(null)} />
          </Suspense>
        </div>
      )}
    </section>
  );
});
