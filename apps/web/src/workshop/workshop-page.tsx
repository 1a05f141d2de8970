import { usualParts } from '@usual-drag/core';
import clsx from 'clsx';
import { Download, FileUp, Plus, Trash2 } from 'lucide-react';
import { useRef } from 'react';
import { toast } from 'sonner';
import { Button } from '../ui/button.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { Note } from '../ui/note.tsx';
import { saveText } from '../ui/save-file.ts';
import { DesignForm } from './design-form.tsx';
import { useBoard } from './designs-store.ts';
import { DesignSheet } from './design-sheet.tsx';
import { useDesign } from './use-design.ts';

/** From a bare movement to a finished meter: ranges wanted in, resistors that can be bought out. */
export function WorkshopPage() {
  const { designs, chosen, choose, change, add, remove } = useBoard();
  const entry = designs[chosen] ?? designs[0]!;
  const { design } = entry;
  const { worked, busy } = useDesign(design);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const { readDesign } = await import('@usual-drag/contract');
    const read = readDesign(await file.text());
    if (!read.ok) return void toast.error(`${file.name}: ${read.fault[0]!.message}`, { duration: 15_000 });
    add({ design: read.value, movementClass: 0.02, divisions: 50 });
  };
  const takeOff = (): void => {
    remove();
    toast(`“${design.title ?? 'Untitled'}” taken off the board.`, {
      action: { label: 'Undo', onClick: () => add(entry) },
    });
  };
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <aside
        aria-label="Design"
        className="flex shrink-0 flex-col gap-4 overflow-y-auto border-line p-4 lg:w-[25rem] lg:border-r"
      >
        <div className="flex flex-wrap items-center gap-2">
          <h1 className="grow text-[24px] font-bold">Workshop</h1>
          <Button
            tone="quiet"
            aria-label="Save as a design file"
            onClick={() => saveText(`${JSON.stringify(design, null, 2)}\n`, 'meter.design.json', 'application/json')}
          >
            <Download aria-hidden size={17} />
          </Button>
          <Button tone="quiet" aria-label="Open a design file" onClick={() => input.current?.click()}>
            <FileUp aria-hidden size={17} />
          </Button>
          <Button tone="quiet" aria-label="Take this design off the board" onClick={takeOff}>
            <Trash2 aria-hidden size={17} />
          </Button>
          <FileInput
            ref={input}
            label="Design file to open"
            accept=".json,application/json"
            onTake={(file) => void take(file)}
          />
        </div>
        <div role="group" aria-label="Designs on the board" className="flex flex-wrap gap-2">
          {designs.map((other, index) => (
            <button
              key={index}
              type="button"
              aria-pressed={other === entry}
              onClick={() => choose(index)}
              className={clsx(
                'min-h-9 rounded-lg border bg-sheet px-3',
                other === entry ? 'border-2 border-ink font-bold' : 'border-line hover:border-soft',
              )}
            >
              {other.design.title ?? 'Untitled'}
            </button>
          ))}
          <Button
            tone="quiet"
            onClick={() =>
              add({
                design: {
                  format: 'usual-drag/design',
                  version: 1,
                  title: 'New meter',
                  target: 'voltmeter',
                  movement: { fullScaleCurrent: 1e-4, resistance: 1000 },
                  scheme: 'string',
                  ranges: [10],
                  parts: usualParts,
                },
                movementClass: 0.02,
                divisions: 50,
              })
            }
          >
            <Plus aria-hidden size={16} /> Design
          </Button>
        </div>
        <DesignForm key={chosen} entry={entry} onChange={change} />
      </aside>
      <main className="min-h-0 min-w-0 grow overflow-y-auto bg-sheet p-5">
        {worked?.fault && <Note kind="limit">{worked.fault.message}</Note>}
        {worked?.result && (
          <DesignSheet entry={{ ...entry, design: worked.design }} result={worked.result} busy={busy} />
        )}
        {!worked && <p className="text-soft">Choosing the parts …</p>}
      </main>
    </div>
  );
}
