import { changeNetwork, type RowFault } from '@usual-drag/core';
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
  const { elements, faults } = readRows(text, network);
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

function Faults({ faults }: { readonly faults: readonly RowFault[] }) {
  if (faults.length === 0) return null;
  return (
    <ul role="alert" className="text-[14px] text-fault">
      {faults.map(({ row, message }) => (
        <li key={row}>
          Row {row}: {message}
        </li>
      ))}
    </ul>
  );
}
