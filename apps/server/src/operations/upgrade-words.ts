import type { Upgrade } from '../database/upgrades.ts';
import { commandLine } from '../program.ts';
import { version } from '../version.ts';

/** What an upgrade did, and how to undo it, in a sentence each. */
export const upgradeWords = ({ brought, copy }: Upgrade): string =>
  `The data were brought up to date for Usual Drag ${version}: they now keep ${brought.join('; ')}. To undo this, stop the server and run, with the former version: ${commandLine('restore', copy)}`;
