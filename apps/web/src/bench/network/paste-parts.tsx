import { writeValues } from '@usual-drag/core/network';
import { changeNetwork, type PartsRows, type RowFault } from '@usual-drag/core/job';
import { Button } from '../../ui/button.tsx';
import { useBench } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import { useSelection } from '../model/selection.ts';
import { readRows } from './read-rows.ts';

interface Props {
  readonly text: string;
  readonly onChange: (text: string) => void;
  readonly onClose: () => void;
}

/** Parts from a spreadsheet: what cannot be taken stays here, row by row, until it is mended. */
export function PasteParts({ text, onChange, onClose }: Props) {
  const edit = useBench((state) => state.edit);
  const network = useBench((state) => state.document.network);
  const selectParts = useSelection((state) => state.selectParts);
  const read = readRows(text, network);
  const { elements, faults } = read;
  const take = (): void => {
    edit((job) => changeNetwork(job, { ...network, elements: [...network.elements, ...elements] }));
    selectParts(elements.map(({ id }) => id));
    sayUndoable(`${elements.length} ${elements.length === 1 ? 'part' : 'parts'} added.`);
    onClose();
  };
  return (
    <section
      aria-label="Parts from a spreadsheet"
      className="flex flex-col gap-2 rounded-lg border border-line bg-sheet p-3"
    >
      <label htmlFor="paste-parts" className="text-[14px] text-soft">
        Rows of name, from, to, value, tolerance, rating, measured, purpose; headings may come first.
      </label>
      <textarea
        id="paste-parts"
        autoFocus
        rows={5}
        spellCheck={false}
        data-typing="true"
        className="figures rounded-md border border-line bg-transparent p-2 text-[14px]"
        placeholder={'R5\tB\tC\t12k\t5%'}
        value={text}
        onChange={(event) => onChange(event.target.value)}
      />
      <Preview read={read} />
      <Faults faults={faults} />
      <div className="flex gap-2">
        <Button tone="strong" disabled={elements.length === 0 || faults.length > 0} onClick={take}>
          Add {elements.length} {elements.length === 1 ? 'part' : 'parts'}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
    </section>
  );
}

const toleranceWords = {
  percent: 'Tolerances without a % sign are read as per cent.',
  ratio: 'Tolerances without a % sign are read as ratios: 0.05 is 5 %.',
} as const;

/** Preview of the parts that the rows will add. */
function Preview({ read: { elements, rows, toleranceUnit } }: { readonly read: PartsRows }) {
  if (elements.length === 0) return null;
  return (
    <div className="max-h-40 overflow-auto text-[14px]" tabIndex={0} role="region" aria-label="Preview of the parts">
      {toleranceUnit && <p className="text-soft">{toleranceWords[toleranceUnit]}</p>}
      <ul>
        {elements.map((element, index) => (
          <li key={element.id}>
            <span className="text-soft">Row {rows[index]}:</span> <b>{element.id}</b>{' '}
            <span className="figures">{writeValues(element)}</span>, {element.from} to {element.to}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Faults({ faults }: { readonly faults: readonly RowFault[] }) {
  if (faults.length === 0) return null;
  return (
    <div role="alert">
      <ul className="text-[14px] text-fault">
        {faults.map(({ row, message }) => (
          <li key={row}>
            Row {row}: {message}
          </li>
        ))}
      </ul>
    </div>
  );
}
