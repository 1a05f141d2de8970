import type { KeptSignature } from '@usual-drag/contract';
import {
  documentHash,
  kitNotesOf,
  makeReport,
  readingsStatus,
  type Diagnosis,
  type Job,
  type JobFault,
  type Report,
  type Result,
} from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { listQuery } from '../../api/lists.ts';
import { signaturesQuery, signedQuery } from '../../api/signatures.ts';
import { startDiagnosis } from '../../workers/diagnosis.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useInHand } from '../readings/in-hand.ts';
import { useSearch } from '../readings/use-search.ts';
import { useChosenSections } from './chosen-sections.ts';

export interface ReportView {
  /** Null while a signed record is fetched. */
  readonly report: Result<Report, JobFault> | null;
  /** Whether what explains the readings is being looked for. */
  readonly isDiagnosing: boolean;
  /** Signatures on this job, the newest first. */
  readonly signatures: readonly KeptSignature[];
  /** Number of the signed record that is looked at; null for the job as it is now. */
  readonly entry: string | null;
  /** Why a signed record cannot be shown. */
  readonly failure: string | null;
}

const none: readonly never[] = [];

/** The report of the job on the bench, or of a record of it that was signed, followed live. */
export function useReport({ jobId, job: present, setupId, unloaded }: BenchView): ReportView {
  const entry = setupId ?? null;
  const signed = useQuery({ ...signedQuery(jobId, entry ?? ''), enabled: entry !== null });
  const { data: signatures = none } = useQuery(signaturesQuery(jobId));
  const { data: kept } = useQuery(listQuery('instruments'));
  const sections = useChosenSections(jobId);
  const restored = useInHand((state) => (state.jobId === jobId ? state.ticked.after : undefined)) ?? none;
  const job: Job | null = entry === null ? present : (signed.data?.document ?? null);
  const disagrees = useMemo(
    () => job !== null && (readingsStatus(job, unloaded)?.doNotAgree ?? 0) > 0,
    [job, unloaded],
  );
  const start = useMemo(() => (job && disagrees ? () => startDiagnosis(job) : null), [job, disagrees]);
  const { found, isSearching } = useSearch<Diagnosis>(start);
  const diagnosis = found?.ok ? found.value : null;
  const kit = useMemo(() => kitNotesOf((kept ?? []).map(({ document }) => document)), [kept]);
  const signature = useMemo(() => {
    if (signed.data && entry !== null) return signed.data;
    const hash = job && documentHash(job);
    return signatures.find((one) => one.hash === hash) ?? signatures[0] ?? null;
  }, [signed.data, entry, job, signatures]);
  const report = useMemo(
    () => job && makeReport(job, { sections, kit, restored, diagnosis, signature }),
    [job, sections, kit, restored, diagnosis, signature],
  );
  return { report, isDiagnosing: isSearching, signatures, entry, failure: signed.error?.message ?? null };
}
