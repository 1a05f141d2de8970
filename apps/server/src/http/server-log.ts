import type { Writable } from 'node:stream';
import { ConsoleLogger } from '@nestjs/common';
import { requestWords } from './request-context.ts';

/**
 * Writes one line for each event: time, level, request id with route, what happened. Errors and warnings go to the standard error
 * stream and to the log file, requests to the file alone. The stack of a fault of the program follows on lines of its own.
 */
export class ServerLog extends ConsoleLogger {
  /** Set while the caller reports failures itself. */
  muted = false;

  constructor(private readonly file: Writable) {
    super({ logLevels: ['error', 'warn', 'fatal'] });
  }

  override warn(message: unknown): void {
    this.#tell('warning', message);
  }

  override error(message: unknown, stack?: unknown): void {
    this.#tell('error', message, stack);
  }

  override fatal(message: unknown): void {
    this.#tell('fatal', message);
  }

  /** Writes a message that is no warning to the output and to the log file. */
  note(message: string): void {
    process.stdout.write(`${message}\n`);
    this.file.write(lineOf('note', message));
  }

  /** Writes a line to the log file only. */
  record(message: string): void {
    this.file.write(lineOf('request', message));
  }

  /** Writes what is left to the log file and closes it. */
  close(): Promise<void> {
    return new Promise((closed) => this.file.end(closed));
  }

  #tell(level: string, message: unknown, stack?: unknown): void {
    if (this.muted) return;
    const line = lineOf(level, message, stack);
    process.stderr.write(line);
    this.file.write(line);
  }
}

function lineOf(level: string, message: unknown, stack?: unknown): string {
  const words = message instanceof Error ? message.message : String(message);
  const line = [new Date().toISOString(), level, requestWords(), words].filter(Boolean).join(' ');
  const trace = message instanceof Error ? message.stack : stack;
  return `${line}\n${typeof trace === 'string' && /\n\s+at /.test(trace) ? `${trace}\n` : ''}`;
}
