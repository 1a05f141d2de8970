import { fail, jobFaults, ok, type Job, type Result } from '@usual-drag/core';
import schema from '../../../docs/schema/job.schema.json' with { type: 'json' };
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

/**
 * Reads the text of a `*.job.json`.
 *
 * @returns the job, ready to be solved, or every fault found, the shape of the file before its values and references
 */
export function readJob(text: string): Result<Job, readonly FileFault[]> {
  const parsed = parseJson(text);
  return parsed.ok ? checkJob(parsed.value) : parsed;
}

/** Checks a parsed job file against the published schema, then its names, values and references. */
export function checkJob(value: unknown): Result<Job, readonly FileFault[]> {
  const shaped = checkShape(value);
  if (!shaped.ok) return shaped;
  const faults = jobFaults(shaped.value);
  return faults.length > 0 ? fail(faults.map((fault) => ({ ...fault, path: fault.where.join(', ') }))) : shaped;
}

/**
 * The same for a job that is being worked on: a lead may be on a node, or a meter on an instrument, that an edit took
 * away. It is kept as it stands until it is mended.
 */
export function checkDraft(value: unknown): Result<Job, readonly FileFault[]> {
  const checked = checkJob(value);
  if (checked.ok) return checked;
  const faults = checked.fault.filter(({ code }) => code !== 'unknown-node' && code !== 'unknown-instrument');
  return faults.length > 0 ? fail(faults) : ok(value as Job);
}

const checkShape = shapeCheck<Job>(schema);
