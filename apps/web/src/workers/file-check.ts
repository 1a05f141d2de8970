import { wrap, type Remote } from 'comlink';
import type { FileCheck } from './file-check.worker.ts';

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

/** The same of a text. */
export async function readTextAs<Kind extends keyof FileCheck>(
  kind: Kind,
  text: string,
): Promise<ReturnType<FileCheck[Kind]>> {
  const worker = new Worker(new URL('./file-check.worker.ts', import.meta.url), { type: 'module' });
  try {
    const check: Remote<FileCheck> = wrap<FileCheck>(worker);
    return (await (check[kind] as (text: string) => Promise<unknown>)(text)) as ReturnType<FileCheck[Kind]>;
  } finally {
    worker.terminate();
  }
}
