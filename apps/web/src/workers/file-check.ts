import type { FileCheck } from './file-check.worker.ts';
import { run } from './run.ts';

const create = (): Worker => new Worker(new URL('./file-check.worker.ts', import.meta.url), { type: 'module' });

/** MB that a file to import may take, however it is laid out. */
const largestFile = 16;

/**
 * Reads and checks a file beside the page, which stays alive meanwhile.
 *
 * @throws Error if the file is too large
 */
export async function readFileAs<Kind extends keyof FileCheck>(
  kind: Kind,
  file: File,
): Promise<ReturnType<FileCheck[Kind]>> {
  if (file.size > largestFile * 2 ** 20) throw new Error(`A file may take up to ${largestFile} MB.`);
  return readTextAs(kind, await file.text());
}

/** Reads and checks a text beside the page. */
export const readTextAs = <Kind extends keyof FileCheck>(
  kind: Kind,
  text: string,
): Promise<ReturnType<FileCheck[Kind]>> =>
  run<FileCheck, ReturnType<FileCheck[Kind]>>(create, (check) =>
    (check[kind] as unknown as (text: string) => Promise<ReturnType<FileCheck[Kind]>>)(text),
  ).result;
