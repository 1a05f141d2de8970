import {
  addElement,
  newElement,
  nextElementId,
  parseLine,
  type Element,
  type LineFault,
  type Network,
} from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import { memo, useState } from 'react';
import { useBench } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';

interface Props {
  readonly columns: number;
  readonly network: Network;
}

const empty = { id: '', from: '', to: '', value: '' };

/** The row below the last part: type its value as in a line, and it is there. Its kind follows from the value. */
export const NewPartRow = memo(function NewPartRow({ columns, network }: Props) {
  const edit = useBench((state) => state.edit);
  const selectPart = useSelection((state) => state.selectPart);
  const [typed, setTyped] = useState(empty);
  const [fault, setFault] = useState<LineFault | null>(null);
  const usual = newElement(network, 'resistor');
  const set = (key: keyof typeof empty, value: string): void => {
    setTyped({ ...typed, [key]: value });
    setFault(null);
  };
  const take = (): void => {
    if (typed.value.trim() === '') return;
    const [from, to] = [typed.from.trim() || usual.from, typed.to.trim() || usual.to];
    const name = typed.id.trim();
    const read = parseLine(`@${from} ${name === '' ? '' : `#${name} `}${typed.value} @${to}`);
    if (!read.ok) return setFault(read.fault);
    if (network.elements.some(({ id }) => id === name))
      return setFault({ message: `${name} already exists.`, at: 0, length: 1 });
    const [element] = read.value.elements as [Element];
    const added = name === '' ? { ...element, id: nextElementId(network, element.kind) } : element;
    edit((job) => changeNetwork(job, addElement(job.network, added)));
    selectPart(added.id);
    setTyped(empty);
  };
  const cell = (key: keyof typeof empty, label: string, placeholder: string, column: number) => (
    <input
      aria-label={label}
      placeholder={placeholder}
      value={typed[key]}
      data-cell={`new:${column}`}
      data-typing={typed[key] !== ''}
      autoComplete="off"
      spellCheck={false}
      className="figures min-h-8 w-full rounded-md border border-transparent bg-transparent px-1.5 hover:border-line focus:border-line focus:bg-sheet"
      onChange={(event) => set(key, event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && typed.value.trim() !== '') {
          event.preventDefault();
          event.stopPropagation();
          take();
          document.querySelector<HTMLInputElement>('[data-cell="new:0"]')?.focus();
        }
        if (event.key === 'Escape') setTyped(empty);
      }}
    />
  );
  return (
    <>
      <tr>
        <td>{cell('id', 'Name of a new part', usual.id, 0)}</td>
        <td>{cell('from', 'New part from', usual.from, 1)}</td>
        <td>{cell('to', 'New part to', usual.to, 2)}</td>
        <td colSpan={columns - 3} style={{ gridColumn: `span ${columns - 3}` }}>
          {cell('value', 'Value of a new part', '4k7 5%, 12V 0.3A, open …', 3)}
        </td>
      </tr>
      {fault && (
        <tr>
          <td colSpan={columns} style={{ gridColumn: `span ${columns}` }}>
            <p role="alert" className="px-1.5 pb-1 text-[13px] text-fault">
              {fault.message}
            </p>
          </td>
        </tr>
      )}
    </>
  );
});
