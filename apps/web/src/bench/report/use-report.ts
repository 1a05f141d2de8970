import type { KeptSignature, StoredDocument } from '@usual-drag/contract';
import type { Result } from '@usual-drag/core/result';
import type { KitInstrument } from '@usual-drag/core/instrument';
import type { ExplanationMatrix } from '@usual-drag/core/diagnosis';
import type { Job, JobFault } from '@usual-drag/core/job';
import {
  documentHash,
  kitNotesOf,
  makeReport,
  type Report,
  type ReportSection,
  type Signature,
} from '@usual-drag/core/report';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { listQuery } from '../../api/lists.ts';
import { signaturesQuery, signedQuery } from '../../api/signatures.ts';
import { startExplanations } from '../../workers/diagnosis.ts';
import { newest } from '../../ui/newest.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useReadingEntry } from '../model/reading-entry.ts';
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
  /** Reason why a signed record cannot be shown. */
  readonly failure: string | null;
}

const none: readonly never[] = [];

/** Explanations of a document's readings: searched for once in a worker, for panel and report alike. */
const diagnosisQuery = (job: Job | null, hash: string | null) =>
  queryOptions({
    queryKey: ['diagnosis', hash],
    queryFn: async ({ signal }): Promise<ExplanationMatrix | null> => {
      const search = startExplanations(job!);
      signal.addEventListener('abort', search.stop);
      const found = await search.result;
      return found.ok ? found.value : null;
    },
    staleTime: Infinity,
    gcTime: 60_000,
  });

/** Panel and sheet show the same report: it is made once for both. */
const newestReport = newest(
  (
    job: Job,
    sections: readonly ReportSection[],
    kept: readonly StoredDocument<KitInstrument>[],
    restored: readonly string[],
    explanations: ExplanationMatrix | null,
    signature: Signature | null,
  ): Result<Report, JobFault> =>
    makeReport(job, {
      sections,
      kit: kitNotesOf(kept.map(({ document }) => document)),
      restored,
      explanations,
      signature,
    }),
);

/** The report of the job on the bench, or of a record of it that was signed, followed live. */
export function useReport({ jobId, job: present, setupId }: BenchView): ReportView {
  const entry = setupId ?? null;
  const signed = useQuery({ ...signedQuery(jobId, entry ?? ''), enabled: entry !== null });
  const { data: signatures = none } = useQuery(signaturesQuery(jobId));
  const { data: kept } = useQuery(listQuery('instruments'));
  const sections = useChosenSections(jobId);
  const restored = useReadingEntry((state) => (state.jobId === jobId ? state.ticked.after : undefined)) ?? none;
  const job: Job | null = entry === null ? present : (signed.data?.document ?? null);
  const hash = useMemo(() => job && documentHash(job), [job]);
  const diagnosed = useQuery({
    ...diagnosisQuery(job, hash),
    enabled: job !== null && (job.readings ?? none).length > 0,
  });
  const signature =
    entry === null ? (signatures.find((one) => one.hash === hash) ?? signatures[0] ?? null) : (signed.data ?? null);
  const report = job && newestReport(job, sections, kept ?? none, restored, diagnosed.data ?? null, signature);
  return { report, isDiagnosing: diagnosed.isFetching, signatures, entry, failure: signed.error?.message ?? null };
}
