import { closeSync, existsSync, fstatSync, openSync, readSync } from 'node:fs';
import { join } from 'node:path';
import { createStream, type RotatingFileStream } from 'rotating-file-stream';

const logFolder = (folder: string): string => join(folder, 'logs');
const logName = 'server.log';

/** Opens the log of a data folder: six files of 1 MB at most. If it cannot be written, the server continues without it. */
export function openLogFile(folder: string): RotatingFileStream {
  // The numbered files are the older ones.
  const stream = createStream((index) => (index ? logName.replace('.log', `.${Number(index)}.log`) : logName), {
    path: logFolder(folder),
    size: '1M',
    rotate: 5,
    mode: 0o600,
  });
  let isReported = false;
  for (const event of ['error', 'warning'] as const)
    stream.on(event, (error: Error) => {
      if (!isReported) process.stderr.write(`The log cannot be written: ${error.message}\n`);
      isReported = true;
    });
  return stream;
}

/** Bytes that are read from the end of a log for its last lines. */
const readEnd = 200_000;

/** Returns the last lines of the log of a data folder; none if there is no log. */
export function lastLines(folder: string, count: number): string[] {
  const file = join(logFolder(folder), logName);
  if (!existsSync(file)) return [];
  const handle = openSync(file, 'r');
  try {
    const { size } = fstatSync(handle);
    const bytes = Buffer.alloc(Math.min(size, readEnd));
    readSync(handle, bytes, 0, bytes.length, size - bytes.length);
    return bytes.toString('utf8').trimEnd().split('\n').slice(-count);
  } finally {
    closeSync(handle);
  }
}
