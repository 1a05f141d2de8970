import { networkOfSheet, type Worksheet, type WorksheetResult } from '@usual-drag/core/worksheet';
import { newJob } from '@usual-drag/core/job';
import { ArrowDownUp } from 'lucide-react';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { createJob } from '../api/jobs.ts';
import { benchNow, useBench } from '../bench/model/bench-store.ts';
import { ActionMenu } from '../ui/action-menu.tsx';
import { Button } from '../ui/button.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { offer } from '../ui/offer.ts';
import { saveText } from '../ui/save-file.ts';
import { toast } from '../ui/toast.ts';
import { readFileAs } from '../workers/file-check.ts';
import { firstSheet, openNetwork, openSheet, useSheet } from './sheet-store.ts';

/** A sheet from a job or a file, and into them. */
export function SheetFiles({ result }: { readonly result: WorksheetResult | null }) {
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const sheet = useSheet((state) => state.sheet);
  const isOpen = useBench((state) => state.jobId !== null);
  const replace = (put: () => void): void => {
    const before = useSheet.getState();
    put();
    if (before.sheet.givens.length > 0) offer('Another worksheet is open.', 'Undo', () => useSheet.setState(before));
  };
  const open = async (chosen: File): Promise<void> => {
    const read = await readFileAs('worksheet', chosen).catch((fault: Error) => fault.message);
    if (typeof read === 'string') return void toast.error(read);
    if (!read.ok) return void toast.error(`${chosen.name}: ${read.fault[0]?.message}`, { duration: 15_000 });
    replace(() => openSheet(read.value));
  };
  const intoJob = async (whole: Worksheet, found: WorksheetResult): Promise<void> => {
    const network = networkOfSheet(whole, found);
    if (!network) return;
    try {
      const { id } = await createJob({ ...newJob(whole.title ?? 'Worksheet'), network });
      await navigate(`/bench/${id}/network`);
    } catch (fault) {
      toast.error((fault as Error).message);
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <FileInput
        ref={file}
        label="Worksheet to open"
        accept=".json,application/json"
        onTake={(chosen) => void open(chosen)}
      />
      <Button disabled={!result?.complete} onClick={() => result && void intoJob(sheet, result)}>
        Make it a job
      </Button>
      <ActionMenu
        actions={[
          { text: 'New worksheet', act: () => replace(() => openSheet(firstSheet)) },
          ...(isOpen
            ? [
                {
                  text: 'From the open job',
                  act: () =>
                    replace(() => {
                      const { document } = benchNow();
                      openNetwork(document.network, document.title);
                    }),
                },
              ]
            : []),
          { text: 'Open a file', act: () => file.current?.click() },
          {
            text: 'Save as a file',
            act: () =>
              saveText(
                `${JSON.stringify(sheet, null, 2)}\n`,
                `${sheet.title ?? 'worksheet'}.worksheet.json`,
                'application/json',
              ),
          },
        ]}
      >
        <ArrowDownUp aria-hidden size={16} /> Open, save
      </ActionMenu>
    </div>
  );
}
