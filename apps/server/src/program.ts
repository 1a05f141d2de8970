/** Program of the release archive as it is typed; empty in a checkout, where npm runs the commands. */
const archive = process.env.USUAL_DRAG_PROGRAM ?? '';

/** Returns a command of this installation as it is typed, for messages. */
export function commandLine(command: string, ...args: readonly string[]): string {
  const words = args.map((word) => (/\s/.test(word) ? `"${word}"` : word)).join(' ');
  if (archive !== '') return [archive, command, words].filter(Boolean).join(' ');
  const script = command === 'start' ? 'npm start' : `npm run ${command}`;
  return words === '' ? script : `${script} -- ${words}`;
}

/** Returns the command that starts the server so that other devices can connect. */
export const startForDevices = (): string =>
  archive === ''
    ? 'HOST=0.0.0.0 USUAL_DRAG_PASSPHRASE="four words of your own" npm start'
    : commandLine('start', '--host', '0.0.0.0', '--passphrase-file', 'FILE');
