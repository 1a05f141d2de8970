import 'reflect-metadata';
import { runCommand } from './commands.ts';

await runCommand(process.argv.slice(2), process.argv[1]!);
