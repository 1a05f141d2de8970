import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { StartFailure } from '../../database/start-failure.ts';
import { Misuse } from '../misuse.ts';
import { userDataFolder, type StartValues } from '../start-options.ts';
import { unitText } from './unit.ts';

const unitName = 'usual-drag.service';

/** Unit file of the service of this computer or of this user. */
interface Place {
  readonly isOfSystem: boolean;
  readonly unit: string;
}

/** Commands of `service`; each returns a report. */
export const serviceCommands = { install, status, remove } as const satisfies Record<
  string,
  (values: ServiceValues, program: string) => string
>;

export interface ServiceValues extends StartValues {
  /** Whether it is a service of the computer, which runs without a signed-in user. */
  readonly system?: boolean | undefined;
}

/** @throws Misuse on systems without systemd, with the alternative */
function placeOf({ system: isOfSystem = false }: ServiceValues, program: string): Place {
  if (process.platform !== 'linux') throw new Misuse(elsewhere(program));
  const folder = isOfSystem
    ? '/etc/systemd/system'
    : join(process.env.XDG_CONFIG_HOME ?? join(homedir(), '.config'), 'systemd', 'user');
  return { isOfSystem, unit: join(folder, unitName) };
}

/** @throws StartFailure if the unit is written but systemd cannot start it */
function install(values: ServiceValues, program: string): string {
  const { isOfSystem, unit } = placeOf(values, program);
  if (isOfSystem && values.data !== undefined)
    throw new Misuse('The service of the computer keeps its data in /var/lib/usual-drag. Omit --data.');
  if (isOfSystem) for (const path of [process.execPath, program]) refuseHidden(path);
  const data = isOfSystem ? null : resolve(values.data ?? userDataFolder(values.demo ?? false));
  if (data !== null) mkdirSync(data, { recursive: true, mode: 0o700 });
  mkdirSync(dirname(unit), { recursive: true });
  writeFileSync(unit, unitText({ node: process.execPath, program, values, data }));
  const started = systemctl(isOfSystem, ['daemon-reload']) ?? systemctl(isOfSystem, ['enable', '--now', unitName]);
  const words = [`The unit ${unit} was written.`, `The data are in ${data ?? '/var/lib/usual-drag/bench'}.`];
  if (started !== null)
    throw new StartFailure(
      [
        ...words,
        `The service could not be started: ${started}`,
        `Start it with: ${typed(isOfSystem, `enable --now ${unitName}`)}`,
      ].join('\n'),
    );
  return [
    ...words,
    isOfSystem
      ? 'Usual Drag is running and starts with the computer.'
      : 'Usual Drag is running and starts when you sign in. To keep it running while you are signed out, run: loginctl enable-linger',
  ].join('\n');
}

function status(values: ServiceValues, program: string): string {
  const { isOfSystem, unit } = placeOf(values, program);
  if (!existsSync(unit)) return `No service is installed: ${unit} does not exist.`;
  const { stdout, stderr, error } = run(isOfSystem, ['status', '--no-pager', '--lines=5', unitName]);
  return error?.message ?? [stdout, stderr].join('').trim();
}

function remove(values: ServiceValues, program: string): string {
  const { isOfSystem, unit } = placeOf(values, program);
  if (!existsSync(unit)) return `No service is installed: ${unit} does not exist.`;
  const stopped = systemctl(isOfSystem, ['disable', '--now', unitName]);
  rmSync(unit);
  systemctl(isOfSystem, ['daemon-reload']);
  return [
    ...(stopped === null ? [] : [`The service could not be stopped: ${stopped}`]),
    `The unit ${unit} was removed. The data are kept.`,
  ].join('\n');
}

const argsFor = (isOfSystem: boolean, args: readonly string[]): string[] => [
  ...(isOfSystem ? [] : ['--user']),
  ...args,
];

const typed = (isOfSystem: boolean, words: string): string => ['systemctl', ...argsFor(isOfSystem, [words])].join(' ');

const run = (isOfSystem: boolean, args: readonly string[]) =>
  spawnSync('systemctl', argsFor(isOfSystem, args), { encoding: 'utf8' });

/** Runs systemctl; returns the reason if it failed, otherwise null. */
function systemctl(isOfSystem: boolean, args: readonly string[]): string | null {
  const { status: code, stderr, error } = run(isOfSystem, args);
  return code === 0 ? null : (error?.message ?? stderr.trim().split('\n')[0]!);
}

/** @throws Misuse if a path is in a home folder, which the service of the computer cannot read */
function refuseHidden(path: string): void {
  if (!/^\/(home|root|run\/user)\//.test(path)) return;
  throw new Misuse(
    `${path} is in a home folder, which the service of the computer cannot read. Move it, for example to /opt/usual-drag, or omit --system.`,
  );
}

/** Returns how to start the program at sign-in on a system without systemd. */
const elsewhere = (program: string): string =>
  process.platform === 'win32'
    ? `On Windows, use the task scheduler: schtasks /create /tn "Usual Drag" /sc onlogon /tr "\\"${process.execPath}\\" \\"${program}\\" start --no-browser"`
    : `This computer does not have systemd. Run this command at sign-in: "${process.execPath}" "${program}" start --no-browser`;
