import type { KitInstrument } from '@usual-drag/core/instrument';
import { kitFromRows, rowsFromKit, type Kit } from '@usual-drag/core/job';
import { ArrowDownUp } from 'lucide-react';
import { csvRows, csvText } from '../ui/csv.ts';
import { useMemo, useRef, useState } from 'react';
import { toast } from '../ui/toast.ts';
import { Refused } from '../api/http.ts';
import { importKit, listQuery, type ImportChoice } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { openDocument } from '../documents/documents.ts';
import { ActionMenu, type MenuAction } from '../ui/action-menu.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { QuestionStrip } from '../ui/question-strip.tsx';
import { saveText } from '../ui/save-file.ts';
import { readFileAs, readTextAs } from '../workers/file-check.ts';

/** The kit in and out, as JSON that keeps everything and as a table for a spreadsheet. */
export function KitFiles({ kit }: { readonly kit: readonly KitInstrument[] }) {
  const input = useRef<HTMLInputElement>(null);
  const [asked, setAsked] = useState<{ readonly kit: Kit; readonly name: string; readonly message: string } | null>(
    null,
  );
  const actions: readonly MenuAction[] = useMemo(() => {
    const file: Kit = { format: 'usual-drag/kit', version: 1, instruments: kit };
    return [
      { text: 'Import JSON or CSV', act: () => input.current?.click() },
      {
        text: 'Export as JSON',
        act: () => saveText(`${JSON.stringify(file, null, 2)}\n`, 'usual-drag.kit.json', 'application/json'),
      },
      {
        text: 'Export as CSV',
        act: () => saveText(csvText(rowsFromKit(kit)), 'usual-drag-kit.csv', 'text/csv'),
      },
    ];
  }, [kit]);
  const give = async (read: Kit, name: string, choice?: ImportChoice): Promise<void> => {
    setAsked(null);
    try {
      const changed = await importKit(read, choice);
      for (const stored of changed) openDocument('instruments', stored);
      await queries.invalidateQueries(listQuery('instruments'));
      toast(`${changed.length} of ${read.instruments.length} instruments of ${name} were added or changed.`);
    } catch (fault) {
      if (fault instanceof Refused && fault.details.conflicts) setAsked({ kit: read, name, message: fault.message });
      else toast.error((fault as Error).message);
    }
  };
  const take = async (chosen: File): Promise<void> => {
    const read = await readFile(chosen).catch((fault: Error) => fault.message);
    if (typeof read === 'string') return void toast.error(`${chosen.name}: ${read}`, { duration: 15_000 });
    await give(read, chosen.name);
  };
  const answer = (label: string, choice: ImportChoice) => ({
    label,
    act: () => void give(asked!.kit, asked!.name, choice),
  });
  return (
    <>
      <FileInput
        ref={input}
        label="Kit file to import"
        accept=".json,.csv,application/json,text/csv"
        onTake={(chosen) => void take(chosen)}
      />
      <ActionMenu actions={actions} commands={{ source: 'kit-files', prefix: 'Kit: ' }}>
        <ArrowDownUp aria-hidden size={16} /> Import/export
      </ActionMenu>
      {asked && (
        <div className="basis-full">
          <QuestionStrip
            answers={[
              answer('Keep mine', 'keep'),
              answer('Replace mine', 'replace'),
              answer('Add copies', 'copy'),
              { label: 'Cancel', act: () => setAsked(null) },
            ]}
          >
            {asked.message}
          </QuestionStrip>
        </div>
      )}
    </>
  );
}

/** The kit in a file, or the first thing that is wrong with it. */
async function readFile(file: File): Promise<Kit | string> {
  if (!file.name.toLowerCase().endsWith('.csv')) {
    const read = await readFileAs('kit', file);
    return read.ok ? read.value : read.fault[0]!.message;
  }
  const rows = csvRows(await file.text());
  const { instruments, faults } = kitFromRows(rows);
  if (faults[0]) return `row ${faults[0].row}: ${faults[0].message}`;
  const checked = await readTextAs('kit', JSON.stringify({ format: 'usual-drag/kit', version: 1, instruments }));
  return checked.ok ? checked.value : checked.fault[0]!.message;
}
