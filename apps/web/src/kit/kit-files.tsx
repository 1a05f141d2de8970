import { kitFromRows, rowsFromKit, type Kit, type KitInstrument } from '@usual-drag/core';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { ArrowDownUp } from 'lucide-react';
import Papa from 'papaparse';
import { useRef } from 'react';
import { toast } from 'sonner';
import { importKit, shelfQuery } from '../api/kit.ts';
import { FileInput } from '../ui/file-input.tsx';
import { saveText } from '../ui/save-file.ts';

const item = 'flex min-h-9 w-full items-center rounded-md px-3 text-left data-focus:bg-sunk';

/** The kit in and out, as JSON that keeps everything and as a table for a spreadsheet. */
export function KitFiles({ kit }: { readonly kit: readonly KitInstrument[] }) {
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const file: Kit = { format: 'usual-drag/kit', version: 1, instruments: kit };
  const take = async (chosen: File): Promise<void> => {
    const read = await readFile(chosen);
    if (typeof read === 'string') return void toast.error(`${chosen.name}: ${read}`, { duration: 15_000 });
    const taken = await importKit(read).catch((fault: Error) => void toast.error(fault.message));
    await queries.invalidateQueries(shelfQuery);
    if (taken) toast(`${taken.length} ${taken.length === 1 ? 'instrument' : 'instruments'} taken from ${chosen.name}.`);
  };
  return (
    <>
      <FileInput
        ref={input}
        label="Kit file to import"
        accept=".json,.csv,application/json,text/csv"
        onTake={(file) => void take(file)}
      />
      <Menu>
        <MenuButton className="inline-flex min-h-9 items-center gap-2 rounded-lg border border-line bg-sheet px-3 hover:border-soft">
          <ArrowDownUp aria-hidden size={16} /> In and out
        </MenuButton>
        <MenuItems
          anchor={{ to: 'bottom end', gap: 4 }}
          className="z-30 rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
        >
          <MenuItem>
            <button type="button" className={item} onClick={() => input.current?.click()}>
              Import JSON or CSV
            </button>
          </MenuItem>
          <MenuItem>
            <button
              type="button"
              className={item}
              onClick={() => saveText(`${JSON.stringify(file, null, 2)}\n`, 'usual-drag.kit.json', 'application/json')}
            >
              Export as JSON
            </button>
          </MenuItem>
          <MenuItem>
            <button
              type="button"
              className={item}
              onClick={() => saveText(Papa.unparse(rowsFromKit(kit)), 'usual-drag-kit.csv', 'text/csv')}
            >
              Export as CSV
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </>
  );
}

/** The kit in a file, or the first thing that is wrong with it. */
async function readFile(file: File): Promise<Kit | string> {
  const { checkKit, readKit } = await import('@usual-drag/contract');
  const text = await file.text();
  if (!file.name.toLowerCase().endsWith('.csv')) {
    const read = readKit(text);
    return read.ok ? read.value : read.fault[0]!.message;
  }
  const { instruments, faults } = kitFromRows(Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data);
  if (faults[0]) return `row ${faults[0].row}: ${faults[0].message}`;
  const checked = checkKit({ format: 'usual-drag/kit', version: 1, instruments });
  return checked.ok ? checked.value : checked.fault[0]!.message;
}
