import { BadRequestException } from '@nestjs/common';
import { readJob } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { jobFileName, jobFileText } from './job-file.ts';

/** MiB that an archive may unpack to. */
const largest = 256;

/** Every job as an open file, in one ZIP archive. */
export function packJobs(jobs: readonly Job[]): Uint8Array {
  const files: Record<string, Uint8Array> = {};
  for (const job of jobs) {
    const name = jobFileName(job);
    let free = name;
    for (let number = 2; files[free]; number += 1) free = name.replace('.job.json', `-${number}.job.json`);
    files[free] = strToU8(jobFileText(job));
  }
  return zipSync(files);
}

/**
 * The jobs of an archive.
 *
 * @throws a refusal (400) that names the file which is no sound job: all are taken or none
 */
export function unpackJobs(archive: Uint8Array): Job[] {
  let size = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(archive, {
      filter: ({ name, originalSize }) => {
        size += originalSize;
        return name.endsWith('.job.json') && size <= largest * 2 ** 20;
      },
    });
  } catch {
    throw new BadRequestException('This is not a ZIP archive. Choose the file that “Export all” wrote.');
  }
  if (size > largest * 2 ** 20) throw new BadRequestException(`This archive unpacks to more than ${largest} MB.`);
  const names = Object.keys(files);
  if (names.length === 0) throw new BadRequestException('There is no *.job.json in this archive.');
  return names.map((name) => {
    const read = readJob(strFromU8(files[name]!));
    if (!read.ok) throw new BadRequestException(`${name}: ${read.fault[0]!.message} Nothing was imported.`);
    return read.value;
  });
}
