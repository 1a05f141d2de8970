import { ArrowDownUp } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useRef, type RefObject } from 'react';
import { useNavigate } from 'react-router';
import { toast } from '../ui/toast.ts';
import { exportAllAddress, exportPartsQuery, importJob, importJobs } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { ActionMenu, type MenuAction } from '../ui/action-menu.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { readFileAs } from '../workers/file-check.ts';
import { count } from '../ui/words.ts';

const attempt = (work: Promise<void>): void =>
  void work.catch((fault: Error) => toast.error(fault.message, { duration: 15_000 }));

/** A job from a file, checked here first, so that its faults show at once. */
export function JobFileInput({ ref }: { readonly ref: RefObject<HTMLInputElement | null> }) {
  const navigate = useNavigate();
  const take = async (file: File): Promise<void> => {
    const read = await readFileAs('job', file);
    if (!read.ok) {
      const more = read.fault.length > 1 ? ` (and ${read.fault.length - 1} more)` : '';
      return void toast.error(`${file.name}: ${read.fault[0]?.message}${more}`, { duration: 15_000 });
    }
    const { id } = await importJob(read.value);
    await navigate(`/bench/${id}/setups`);
  };
  return (
    <FileInput
      ref={ref}
      label="Job file to import"
      accept=".json,application/json"
      onTake={(file) => attempt(take(file))}
    />
  );
}

const exportActions = (parts: number): MenuAction[] =>
  parts === 1
    ? [{ text: 'Export all jobs', download: exportAllAddress(null) }]
    : Array.from({ length: parts }, (_, index) => ({
        text: `Export all jobs, part ${index + 1} of ${parts}`,
        download: exportAllAddress(index + 1),
      }));

/** All jobs as files, and the way to the backup of everything. */
export function JobFiles() {
  const archive = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const { data: { parts } = { parts: 1 } } = useQuery({ ...exportPartsQuery, staleTime: 0 });
  const takeArchive = async (file: File): Promise<void> => {
    const { imported } = await importJobs(file);
    toast(`${count(imported, 'job')} imported from ${file.name}.`);
    await queries.invalidateQueries({ queryKey: ['jobs'] });
  };
  const actions: readonly MenuAction[] = useMemo(
    () => [
      ...exportActions(parts),
      { text: 'Import an archive of jobs', act: () => archive.current?.click() },
      { text: 'Backup and restore', act: () => void navigate('/backup') },
    ],
    [parts, navigate],
  );
  return (
    <>
      <FileInput
        ref={archive}
        label="Archive of jobs to import"
        accept=".zip,application/zip"
        onTake={(file) => attempt(takeArchive(file))}
      />
      <ActionMenu actions={actions} commands={{ source: 'job-files' }}>
        <ArrowDownUp aria-hidden size={16} /> Import, export
      </ActionMenu>
    </>
  );
}
