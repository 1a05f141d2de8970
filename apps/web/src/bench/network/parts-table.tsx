import {
  addElement,
  editElement,
  newElement,
  nodesOf,
  removeElement,
  type Element,
  type ElementKind,
} from '@usual-drag/core';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import clsx from 'clsx';
import { Plus, Trash2 } from 'lucide-react';
import { useBench } from '../bench-store.ts';
import { ValueField } from '../../ui/value-field.tsx';
import { mainField, nameField, nodeField, secondField } from './fields.ts';

const kinds: readonly { readonly kind: ElementKind; readonly text: string }[] = [
  { kind: 'resistor', text: 'Resistor' },
  { kind: 'source', text: 'Voltage source' },
  { kind: 'current-source', text: 'Current source' },
  { kind: 'load', text: 'Lamp or other load' },
  { kind: 'switch', text: 'Switch' },
  { kind: 'link', text: 'Link' },
];

interface Props {
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
}

/** The parts as a table to type into: Tab goes on, Enter takes the value, every value takes its unit. */
export function PartsTable({ selected, onSelect }: Props) {
  const network = useBench((state) => state.document.network);
  const edit = useBench((state) => state.edit);
  const add = (kind: ElementKind): void => {
    const element = newElement(network, kind);
    edit((job) => ({ ...job, network: addElement(job.network, element) }));
    onSelect(element.id);
    requestAnimationFrame(() => document.getElementById(`value-${element.id}`)?.focus());
  };
  return (
    <section aria-label="Parts">
      <table className="w-full table-fixed border-collapse text-[14px]">
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            <th scope="col" className="w-[18%] px-1.5 py-1 text-left font-medium">
              Part
            </th>
            <th scope="col" className="w-[14%] px-1.5 py-1 text-left font-medium">
              From
            </th>
            <th scope="col" className="w-[14%] px-1.5 py-1 text-left font-medium">
              To
            </th>
            <th scope="col" className="w-[23%] px-1.5 py-1 text-right font-medium">
              Value
            </th>
            <th scope="col" className="w-[23%] px-1.5 py-1 text-right font-medium">
              Inside, tol.
            </th>
            <th scope="col" className="w-[8%]">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {network.elements.map((element) => (
            <PartRow key={element.id} element={element} selected={selected === element.id} onSelect={onSelect} />
          ))}
        </tbody>
      </table>
      <Menu>
        <MenuButton className="mt-2 inline-flex min-h-9 items-center gap-1.5 rounded-lg border border-line bg-sheet px-3 hover:border-soft">
          <Plus aria-hidden size={16} /> Add a part
        </MenuButton>
        <MenuItems
          anchor={{ to: 'bottom start', gap: 4 }}
          className="z-30 rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
        >
          {kinds.map(({ kind, text }) => (
            <MenuItem key={kind}>
              <button
                type="button"
                className="block min-h-9 w-full rounded-md px-3 text-left data-focus:bg-sunk"
                onClick={() => add(kind)}
              >
                {text}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
    </section>
  );
}

function PartRow({
  element,
  selected,
  onSelect,
}: {
  readonly element: Element;
  readonly selected: boolean;
  readonly onSelect: (id: string) => void;
}) {
  const network = useBench((state) => state.document.network);
  const edit = useBench((state) => state.edit);
  const replace = (next: Element): void => {
    edit((job) => editElement(job, element.id, next));
    if (next.id !== element.id) onSelect(next.id);
  };
  const main = mainField(element);
  const second = secondField(element);
  const nodes = nodesOf(network);
  const last = network.elements.length === 1;
  return (
    <tr
      className={clsx('border-b border-line/60', selected && 'bg-sunk')}
      onFocus={() => onSelect(element.id)}
      onClick={() => onSelect(element.id)}
    >
      <td className="py-0.5 font-bold">
        <ValueField
          label={`Name of ${element.id}`}
          shown={element.id}
          read={nameField(network, element.id)}
          onCommit={(id) => replace({ ...element, id })}
        />
      </td>
      {(['from', 'to'] as const).map((end) => (
        <td key={end} className="py-0.5">
          <ValueField
            label={`${element.id} ${end}, one of ${nodes.join(' ')} or a new node`}
            shown={element[end]}
            read={nodeField}
            onCommit={(node) => replace({ ...element, [end]: node })}
          />
        </td>
      ))}
      <td className="py-0.5">
        {element.kind === 'switch' ? (
          <button
            type="button"
            id={`value-${element.id}`}
            aria-pressed={element.closed}
            className="figures min-h-8 w-full rounded-md border border-line bg-sheet px-1.5 text-right"
            onClick={() => replace({ ...element, closed: !element.closed })}
          >
            {element.closed ? 'closed' : 'open'}
          </button>
        ) : (
          main && (
            <ValueField
              id={`value-${element.id}`}
              label={`${main.label} of ${element.id}`}
              shown={main.shown}
              read={main.read}
              align="right"
              onCommit={(value) => replace(main.put(value))}
            />
          )
        )}
      </td>
      <td className="py-0.5">
        {second && (
          <ValueField
            label={`${second.label} of ${element.id}`}
            shown={second.shown}
            read={second.read}
            align="right"
            placeholder="–"
            onCommit={(value) => replace(second.put(value))}
          />
        )}
      </td>
      <td className="text-center">
        <button
          type="button"
          aria-label={`Remove ${element.id}`}
          disabled={last}
          title={last ? 'A network has at least one part' : undefined}
          className="inline-flex size-8 items-center justify-center rounded-md text-soft hover:bg-sunk hover:text-ink disabled:opacity-40"
          onClick={(event) => {
            event.stopPropagation();
            edit((job) => ({ ...job, network: removeElement(job.network, element.id) }));
          }}
        >
          <Trash2 aria-hidden size={16} />
        </button>
      </td>
    </tr>
  );
}
