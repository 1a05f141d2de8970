import type { Upgrade } from '../database/database.ts';
import { commandLine } from '../program.ts';
import { version } from '../version.ts';

/** Returns one sentence on what an upgrade changed and one on how to undo it. */
export const upgradeWords = ({ added, copy }: Upgrade): string =>
  `The data were upgraded for Usual Drag ${version}, which also stores: ${added.join('; ')}. To undo the upgrade, stop the server and run this with the former version: ${commandLine('restore', copy)}`;
