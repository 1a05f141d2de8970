import { ConsoleLogger } from '@nestjs/common';
import { requestWords } from './request-context.ts';

/**
 * Writes errors and warnings to the standard error stream, one line each: time, level, request id with route, what happened. The
 * stack of a fault of the program follows on lines of its own.
 */
export class ServerLog extends ConsoleLogger {
  /** Set while the caller reports failures itself. */
  muted = false;

  constructor() {
    super({ logLevels: ['error', 'warn', 'fatal'] });
  }

  override warn(message: unknown): void {
    this.#write('warning', message);
  }

  override error(message: unknown, stack?: unknown): void {
    this.#write('error', message, stack);
  }

  override fatal(message: unknown): void {
    this.#write('fatal', message);
  }

  #write(level: string, message: unknown, stack?: unknown): void {
    if (this.muted) return;
    const words = message instanceof Error ? message.message : String(message);
    const line = [new Date().toISOString(), level, requestWords(), words].filter(Boolean).join(' ');
    const trace = message instanceof Error ? message.stack : stack;
    process.stderr.write(`${line}\n${typeof trace === 'string' && /\n\s+at /.test(trace) ? `${trace}\n` : ''}`);
  }
}
