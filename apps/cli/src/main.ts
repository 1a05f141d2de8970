import { readFileSync } from 'node:fs';
import { solveFile } from './solve.ts';

const usage = `Usage: npm run -s cli -- solve FILE…
Prints one compact JSON result a line, in the order given; - reads one file from standard input.`;

const commands: Readonly<Record<string, (text: string) => { readonly output: unknown; readonly solved: boolean }>> = {
  solve: solveFile,
};

function main([name = '', ...files]: readonly string[]): number {
  const run = commands[name];
  if (!run || files.length === 0) {
    process.stderr.write(`${usage}\n`);
    return 1;
  }
  let status = 0;
  for (const file of files) {
    const { output, solved } = runOn(file, run);
    process.stdout.write(`${JSON.stringify(output)}\n`);
    if (!solved) status = 2;
  }
  return status;
}

function runOn(file: string, run: (text: string) => { output: unknown; solved: boolean }) {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    const message = `${file} cannot be read: ${(error as Error).message}`;
    return { output: { error: { code: 'invalid-file', message, where: [file] } }, solved: false };
  }
  return run(text);
}

process.exitCode = main(process.argv.slice(2));
