import { ok, type Result } from '@usual-drag/core/result';
import type { DocumentKind, DocumentOfKind } from './answers.ts';
import { checkDraft } from './read-job.ts';
import { checkKitInstrument } from './read-kit.ts';
import { checkMeterProject } from './read-meter-project.ts';
import type { FileFault } from './shape-faults.ts';

const checks: { readonly [K in DocumentKind]: (value: unknown) => Result<DocumentOfKind[K], readonly FileFault[]> } = {
  jobs: checkDraft,
  instruments: checkKitInstrument,
  'meter-projects': checkMeterProject,
};

/** Checks a document before it is stored. */
export const checkDocument = <K extends DocumentKind>(
  kind: K,
  value: unknown,
): Result<DocumentOfKind[K], readonly FileFault[]> => checks[kind](value);

/**
 * Checks a document that was stored before, perhaps by an earlier version: one of the right shape is served even if a value
 * would be refused today, so that it can be mended.
 */
export function checkStored<K extends DocumentKind>(
  kind: K,
  value: unknown,
): Result<DocumentOfKind[K], readonly FileFault[]> {
  const checked = checks[kind](value);
  if (checked.ok || checked.fault.some(({ code }) => code === 'invalid-file')) return checked;
  return ok(value as DocumentOfKind[K]);
}
