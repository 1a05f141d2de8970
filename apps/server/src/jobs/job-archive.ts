import { isUtf8 } from 'node:buffer';
import { crc32 } from 'node:zlib';
import { largestDocument, largestUnpacked, mostArchivedFiles } from '@usual-drag/contract';
import { fail, ok, type Result } from '@usual-drag/core/result';
import type { Job } from '@usual-drag/core/job';
import { strToU8, zipSync } from 'fflate';
import { fromBufferPromise, type Entry, type ZipFile } from 'yauzl';
import { jobFileName, jobFileText } from './job-file.ts';

/** A file of an archive. */
export interface ArchivedFile {
  readonly name: string;
  readonly text: string;
}

/** Every job as an open file, in one ZIP archive. Files are indented unless that makes the archive too large to be imported. */
export function packJobs(jobs: readonly Job[]): Uint8Array {
  const indented = jobs.map(jobFileText);
  const size = indented.reduce((sum, text) => sum + Buffer.byteLength(text), 0);
  const files: Record<string, Uint8Array> = {};
  jobs.forEach((job, index) => {
    const name = jobFileName(job);
    let free = name;
    for (let number = 2; files[free]; number += 1) free = name.replace('.job.json', `-${number}.job.json`);
    files[free] = strToU8(size <= largestUnpacked ? indented[index]! : JSON.stringify(job));
  });
  return zipSync(files);
}

/**
 * Reads the `*.job.json` files of an archive, within bounds that hold while it is unpacked: files, bytes of each, bytes of all. An
 * archive that is damaged anywhere is refused whole: each file is compared with its checksum (CRC-32, as the format keeps it).
 *
 * @returns the files, or why the archive is refused, in a sentence
 */
export async function unpackArchive(archive: Uint8Array): Promise<Result<ArchivedFile[], string>> {
  let zip: ZipFile;
  try {
    zip = await fromBufferPromise(Buffer.from(archive.buffer, archive.byteOffset, archive.byteLength));
  } catch {
    return fail('This is not a ZIP archive. Choose the file that “Export all” wrote.');
  }
  if (zip.entryCount > mostArchivedFiles)
    return fail(`This archive has ${zip.entryCount} files; at most ${mostArchivedFiles} are taken. Split it.`);
  const files: ArchivedFile[] = [];
  try {
    const entries: Entry[] = [];
    for await (const entry of zip.eachEntry()) entries.push(entry);
    const refused = boundsFault(entries);
    if (refused !== null) return fail(refused);
    for (const entry of entries) {
      const bytes = await unpacked(zip, entry);
      if (crc32(bytes) !== entry.crc32) return fail(damaged(entry.fileName));
      if (!entry.fileName.endsWith('.job.json')) continue;
      if (!isUtf8(bytes)) return fail(`${entry.fileName} is not UTF-8 text. Nothing was imported.`);
      files.push({ name: entry.fileName, text: bytes.toString('utf8') });
    }
  } catch {
    return fail(damaged('The archive'));
  }
  return files.length > 0 ? ok(files) : fail('There is no *.job.json in this archive.');
}

const damaged = (what: string): string =>
  `${what} is damaged: its contents are not what was packed. Nothing was imported. Copy the archive again.`;

/** Returns the reason why the entries of an archive are refused, by the sizes that they declare; null if they are not. */
function boundsFault(entries: readonly Entry[]): string | null {
  const long = entries.find(({ uncompressedSize }) => uncompressedSize > largestDocument);
  if (long) return `${long.fileName} unpacks to more than ${largestDocument / 2 ** 20} MB. Nothing was imported.`;
  const total = entries.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0);
  if (total > largestUnpacked) return `This archive unpacks to more than ${largestUnpacked / 2 ** 20} MB. Split it.`;
  // Entries that share bytes make many files of a few: no archive that was packed has them.
  const byPlace = [...entries].sort((a, b) => a.relativeOffsetOfLocalHeader - b.relativeOffsetOfLocalHeader);
  const overlaps = byPlace.some((entry, index) => {
    const next = byPlace[index + 1];
    return next && entry.relativeOffsetOfLocalHeader + entry.compressedSize >= next.relativeOffsetOfLocalHeader;
  });
  return overlaps ? damaged('The archive') : null;
}

/** Inflates one entry; refuses more bytes than the entry declares. */
async function unpacked(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
