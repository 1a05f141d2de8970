import { resolve } from 'node:path';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { StartFailure } from '../database/start-failure.ts';
import { commandLine } from '../program.ts';
import { readSettings } from '../settings.ts';
import { version } from '../version.ts';
import { Misuse } from './misuse.ts';
import { answersAt, openBrowser } from './open-browser.ts';
import { serviceCommands } from './service/service.ts';
import { environmentOf, startOptions, startUsage, type StartValues } from './start-options.ts';

/** Command of the program; the returned text is printed. */
interface Command {
  /** Its arguments. */
  readonly usage: string;
  readonly run: (args: readonly string[], program: string) => Promise<string>;
}

/** Commands of the program; without one, it starts. Each loads the code that it requires. */
const commands = {
  start: {
    usage: startUsage,
    run: async (args) => {
      const { values } = parsed(args, startOptions, 0);
      await start(values);
      return '';
    },
  },
  backup: {
    usage: 'FILE [--data FOLDER] [--demo]',
    run: async (args) => withFile(args, (await import('../backup/backup.ts')).backup),
  },
  restore: {
    usage: 'FILE [--data FOLDER] [--demo]',
    run: async (args) => withFile(args, (await import('../backup/restore.ts')).restore),
  },
  move: {
    usage: '--from FOLDER|URL --to FOLDER|URL',
    run: async (args) => {
      const { values } = parsed(args, { from: { type: 'string' }, to: { type: 'string' } }, 0);
      if (!values.from || !values.to) throw new Misuse('Name both places: --from and --to.');
      return (await import('../move/move.ts')).move(values.from, values.to);
    },
  },
  service: {
    usage: 'install|status|remove [--system] [options of start]',
    run: (args, program) => {
      const { values, positionals } = parsed(args, { ...startOptions, system: { type: 'boolean' } }, 1);
      const does = serviceCommands[positionals[0] as keyof typeof serviceCommands];
      if (!does) throw new Misuse(`Unknown service command “${positionals[0] ?? ''}”. Use install, status or remove.`);
      return Promise.resolve(does(values, program));
    },
  },
  version: {
    usage: '',
    run: () => Promise.resolve(`Usual Drag ${version}`),
  },
} as const satisfies Record<string, Command>;

/** Returns a list of all commands. */
const usage = (): string =>
  ['Usage:', ...Object.entries(commands).map(([name, command]) => `  ${usageOf(name, command)}`)].join('\n');

const usageOf = (name: string, { usage: words }: Command): string =>
  commandLine(name, ...words.split(' ').filter(Boolean));

/** Starts the server, or opens the page of a server that is running at its address. */
async function start(values: StartValues): Promise<void> {
  const env = environmentOf(values, process.env);
  const isAlone = (env.HOST ?? '').trim() === '' && !values['no-browser'];
  const running = `http://127.0.0.1:${env.PORT?.trim() || 8470}`;
  if (isAlone && env.PORT !== '0' && (await answersAt(running))) {
    process.stdout.write(`Usual Drag is already running at ${running}\n`);
    return openBrowser(running);
  }
  const { serve } = await import('../serve.ts');
  const { address } = await serve(env);
  if (!values['no-browser']) await openBrowser(address);
}

/** Runs `backup` or `restore` on the data folder. */
async function withFile(
  args: readonly string[],
  work: (folder: string, file: string) => Promise<string>,
): Promise<string> {
  const { data, demo } = startOptions;
  const { values, positionals } = parsed(args, { data, demo }, 1);
  if (positionals[0] === undefined) throw new Misuse('Give the name of the file.');
  const { dataFolder, databaseUrl } = readSettings(environmentOf(values, process.env));
  if (databaseUrl !== null)
    throw new StartFailure(
      'DATABASE_URL names a database server, which is backed up and restored with its own tools: pg_dump and pg_restore.',
    );
  return work(dataFolder, resolve(positionals[0]));
}

/** @throws Misuse for an unknown option, or an argument too many */
function parsed<const O extends NonNullable<ParseArgsConfig['options']>>(
  args: readonly string[],
  options: O,
  words: number,
) {
  try {
    const result = parseArgs({ args: [...args], options, allowPositionals: words > 0 });
    const extra = result.positionals[words];
    if (extra !== undefined) throw new Misuse(`Unexpected argument “${extra}”.`);
    return result;
  } catch (error) {
    throw error instanceof Misuse ? error : new Misuse((error as Error).message);
  }
}

/** Runs a command line; prints the reason and sets an exit code if it fails. */
export async function runCommand(args: readonly string[], program: string): Promise<void> {
  const [first = 'start', ...rest] = args[0]?.startsWith('--') ? ['start', ...args] : args;
  if (first === 'help' || rest.includes('--help') || rest.includes('-h'))
    return void process.stdout.write(`${usage()}\n`);
  const command: Command | undefined = commands[first as keyof typeof commands];
  try {
    if (!command) throw new Misuse(`Unknown command “${first}”.`);
    const said = await command.run(rest, program);
    if (said !== '') process.stdout.write(`${said}\n`);
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    if (error instanceof Misuse) process.stderr.write(`${command ? `Usage: ${usageOf(first, command)}` : usage()}\n`);
    process.exitCode = error instanceof Misuse || error instanceof StartFailure ? 1 : 2;
  }
}
