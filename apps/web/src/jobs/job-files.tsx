import { ArrowDownUp, FileUp } from 'lucide-react';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { backupAddress, exportAllAddress, importJob, importJobs } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { ActionMenu } from '../ui/action-menu.tsx';
import { Button } from '../ui/button.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { readFileAs } from '../workers/file-check.ts';
import { count } from '../ui/words.ts';

/** Jobs in from files, all of them out, and the backup of everything. */
export function JobFiles() {
  const job = useRef<HTMLInputElement>(null);
  const archive = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  /** Checked here first, so that its faults show at once. */
  const takeJob = async (file: File): Promise<void> => {
    const read = await readFileAs('job', file);
    if (!read.ok) {
      const more = read.fault.length > 1 ? ` (and ${read.fault.length - 1} more)` : '';
      return void toast.error(`${file.name}: ${read.fault[0]?.message}${more}`, { duration: 15_000 });
    }
    const { id } = await importJob(read.value);
    await navigate(`/bench/${id}/setups`);
  };
  const takeArchive = async (file: File): Promise<void> => {
    const { imported } = await importJobs(file);
    toast(`${count(imported, 'job')} imported from ${file.name}.`);
    await queries.invalidateQueries({ queryKey: ['jobs'] });
  };
  const attempt = (work: Promise<void>): void =>
    void work.catch((fault: Error) => toast.error(fault.message, { duration: 15_000 }));
  return (
    <>
      <FileInput
        ref={job}
        label="Job file to import"
        accept=".json,application/json"
        onTake={(file) => attempt(takeJob(file))}
      />
      <FileInput
        ref={archive}
        label="Archive of jobs to import"
        accept=".zip,application/zip"
        onTake={(file) => attempt(takeArchive(file))}
      />
      <ActionMenu
        actions={[
          { text: 'Export all jobs', download: exportAllAddress },
          { text: 'Import an archive of jobs', act: () => archive.current?.click() },
          { text: 'Back up everything', download: backupAddress },
        ]}
      >
        <ArrowDownUp aria-hidden size={16} /> All jobs
      </ActionMenu>
      <Button onClick={() => job.current?.click()}>
        <FileUp aria-hidden size={18} /> Import
      </Button>
    </>
  );
}
