import { addElement, newElement, type ElementKind } from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { benchNow, useBench } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';

const kinds: readonly { readonly kind: ElementKind; readonly text: string }[] = [
  { kind: 'resistor', text: 'Resistor' },
  { kind: 'source', text: 'Voltage source' },
  { kind: 'current-source', text: 'Current source' },
  { kind: 'load', text: 'Lamp or other load' },
  { kind: 'switch', text: 'Switch' },
  { kind: 'link', text: 'Link' },
];

/** Adds a part of a kind with customary values, ready for its own to be typed. */
export const AddPart = memo(function AddPart() {
  const edit = useBench((state) => state.edit);
  const selectPart = useSelection((state) => state.selectPart);
  const add = (kind: ElementKind): void => {
    const element = newElement(benchNow().document.network, kind);
    edit((job) => changeNetwork(job, addElement(job.network, element)));
    selectPart(element.id);
    requestAnimationFrame(() => document.getElementById(`value-${element.id}`)?.focus());
  };
  return (
    <Menu>
      <MenuButton className="inline-flex min-h-9 items-center gap-1.5 rounded-lg border border-line bg-sheet px-3 hover:border-soft">
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
  );
});
