import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Upgrade } from '../../database.ts';
import { migrationsFolder } from './migrations.ts';

/** Data that each version of the schema added, by migration; listed after an upgrade. */
const added: Readonly<Record<string, string>> = {
  '0000_start': 'jobs and instruments',
  '0001_kit': 'edits of the kit',
  '0002_workpieces': 'the workshop',
  '0003_history': 'the history of every document',
  '0004_attempts': 'practice',
  '0005_signatures': 'signatures',
  '0006_summaries_seals': 'figures in the list of jobs, seals of signatures',
  '0007_orders': 'orders of several circuits',
};

interface Migration {
  readonly tag: string;
  /** ms since 1970. */
  readonly when: number;
}

const { entries: migrations } = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as {
  readonly entries: readonly Migration[];
};

/** Name of the schema that this version of the software uses. */
export const schemaName = migrations.at(-1)!.tag;

/**
 * Describes the upgrade of a database.
 *
 * @param last  time of its last migration before the upgrade, ms since 1970
 * @param copy  path of the copy made before
 */
export function upgradeFrom(last: number, copy: string): Upgrade {
  const before = migrations.findLast(({ when }) => when <= last);
  return {
    from: before?.tag ?? 'nothing',
    added: migrations.filter(({ when }) => when > last).map(({ tag }) => added[tag] ?? tag),
    copy,
  };
}
