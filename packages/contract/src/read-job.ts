import { fail, ok, type Result } from '@usual-drag/core/result';
import { jobFaults, newerKeys, type Job, type NewerKey } from '@usual-drag/core/job';
import { mostFaults } from './limits.ts';
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

/**
 * Reads the text of a `*.job.json`.
 *
 * @returns the job, ready to be solved, or its faults, up to twenty, the shape of the file before its values and references
 */
export function readJob(text: string): Result<Job, readonly FileFault[]> {
  const parsed = parseJson(text);
  return parsed.ok ? checkJob(parsed.value) : parsed;
}

/** Checks a parsed job file against the published schema, then its names, values and references. */
export const checkJob = (value: unknown): Result<Job, readonly FileFault[]> => check(value, () => true);

/**
 * The same for a job that is being worked on: a lead may be on a node, or a meter on an instrument, that an edit took
 * away. It is stored unchanged until it is repaired.
 */
export const checkDraft = (value: unknown): Result<Job, readonly FileFault[]> =>
  check(value, ({ code }) => code !== 'unknown-node' && code !== 'unknown-instrument');

function check(value: unknown, counts: (fault: FileFault) => boolean): Result<Job, readonly FileFault[]> {
  const shaped = checkShape(value);
  if (!shaped.ok) return shaped;
  const tooNew = newerKeys(shaped.value).filter(({ since }) => since > shaped.value.version);
  if (tooNew.length > 0) return fail(tooNew.slice(0, mostFaults).map(newerKey));
  const faults = jobFaults(shaped.value)
    .map((fault) => ({ ...fault, path: fault.where.join(', ') }))
    .filter(counts);
  return faults.length > 0 ? fail(faults.slice(0, mostFaults)) : ok(shaped.value);
}

const checkShape = shapeCheck<Job>('job');

const newerKey = ({ path, since }: NewerKey): FileFault => ({
  code: 'invalid-file',
  message: `${path} is a key of version ${since}: write "version": ${since}.`,
  where: [path],
  path,
});
