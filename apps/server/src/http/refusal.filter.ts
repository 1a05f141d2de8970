import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { Response } from 'express';
import type { Refusal } from './faults.ts';

/** Answers every failure as JSON in plain words, and never with a stack trace. */
@Catch()
export class RefusalFilter implements ExceptionFilter {
  private readonly logger = new Logger('Server');

  catch(exception: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    if (response.headersSent) return void response.end();
    const status = statusOf(exception);
    if (status >= 500)
      this.logger.error(exception instanceof Error ? (exception.stack ?? exception.message) : exception);
    const body = exception instanceof HttpException ? exception.getResponse() : null;
    const details = typeof body === 'object' && body !== null && 'details' in body ? (body.details as object) : {};
    const refusal: Refusal = { error: { status, message: wordsFor(status, exception), ...details } };
    response.status(status).json(refusal);
  }
}

function statusOf(exception: unknown): number {
  if (exception instanceof HttpException) return exception.getStatus();
  const status = (exception as { status?: unknown } | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 500 ? status : 500;
}

function wordsFor(status: number, exception: unknown): string {
  if (status === 413) return 'This is too large: a job may take up to 4 MB.';
  if (status >= 500) return 'Something went wrong in the server. What you sent is still in your window; try again.';
  const type = (exception as { type?: unknown } | null)?.type;
  if (type === 'entity.parse.failed') return `This is not JSON: ${(exception as Error).message}.`;
  return exception instanceof Error ? exception.message : 'Refused.';
}
