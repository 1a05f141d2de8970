/** What a person types to run this installation: the program of a release archive, or npm in a checkout. */
const archive = process.env.USUAL_DRAG_PROGRAM ?? '';

/** Returns a command as it is typed, for messages that name it. */
export function commandLine(command: string, ...args: readonly string[]): string {
  const words = args.map((word) => (/[\s"]/.test(word) ? JSON.stringify(word) : word)).join(' ');
  if (archive !== '') return [archive, command, words].filter(Boolean).join(' ');
  const script = command === 'start' ? 'npm start' : `npm run ${command}`;
  return words === '' ? script : `${script} -- ${words}`;
}

/** Returns how the server is started so that other devices get in. */
export const letOthersIn = (): string =>
  archive === ''
    ? 'HOST=0.0.0.0 USUAL_DRAG_PASSPHRASE="four words of your own" npm start'
    : commandLine('start', '--host', '0.0.0.0', '--passphrase-file', 'FILE');
