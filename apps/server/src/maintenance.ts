import { resolve } from 'node:path';
import { StartFailure } from './database/start-failure.ts';
import { backup } from './backup/backup.ts';
import { restore } from './backup/restore.ts';
import { readSettings } from './settings.ts';

// backup FILE or restore FILE, for the folder of data that the environment names.
const [command, file] = process.argv.slice(2);
const { dataFolder } = readSettings(process.env);
try {
  if (!file) throw new StartFailure(`Name a file: npm run ${command ?? 'backup'} -- FILE`);
  const done =
    command === 'restore' ? await restore(dataFolder, resolve(file)) : await backup(dataFolder, resolve(file));
  process.stdout.write(`${done}\n`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(error instanceof StartFailure ? 1 : 2);
}
