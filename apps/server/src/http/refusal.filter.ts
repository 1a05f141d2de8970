import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { Request, Response } from 'express';
import { Damaged } from '../database/document-repository.ts';
import { TooLarge } from '../database/document-text.ts';
import { storageFailureOf } from '../database/storage-failure.ts';
import { WorkGivenUp } from '../work/work-lane.ts';
import type { Refusal } from './faults.ts';

/** Answers every failure as JSON in plain words, and never with a stack trace. */
@Catch()
export class RefusalFilter implements ExceptionFilter {
  private readonly logger = new Logger('Server');

  catch(exception: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    if (response.headersSent) return void response.end();
    const { status, message, details } = this.#answer(exception, http.getRequest<Request>());
    const refusal: Refusal = { error: { status, message, ...details } };
    if (status === 503) response.setHeader('Retry-After', retryAfterSeconds);
    response.status(status).json(refusal);
  }

  #answer(
    exception: unknown,
    request: Request,
  ): { readonly status: number; readonly message: string; readonly details?: object } {
    const storage = storageFailureOf(exception);
    if (storage) {
      this.logger.error(`${storage.message} (${storage.code})`);
      return {
        status: storage.status,
        message: `${request.method === 'GET' ? 'Not read' : 'Not saved'}: ${storage.message}.`,
      };
    }
    if (exception instanceof Damaged) {
      const { kind, id } = exception.about;
      return {
        status: 422,
        message: `This is damaged in the database and cannot be opened: ${exception.message} Its bytes are kept: /api/damaged/${kind}/${encodeURIComponent(id)}`,
        details: { damaged: exception.about },
      };
    }
    if (exception instanceof WorkGivenUp)
      return { status: exception.why === 'busy' ? 503 : 422, message: exception.message };
    const status = exception instanceof TooLarge ? 413 : statusOf(exception);
    if (status >= 500 && status !== fromBehind) this.logger.error(exception);
    const body = exception instanceof HttpException ? exception.getResponse() : null;
    const details = typeof body === 'object' && body !== null && 'details' in body ? (body.details as object) : {};
    return { status, message: wordsFor(status, exception), details };
  }
}

/** Seconds after which a request that was refused for now can be sent again. */
const retryAfterSeconds = 1;

/** Status of the answer if something behind this server does not answer. */
const fromBehind = 502;

function statusOf(exception: unknown): number {
  if (exception instanceof HttpException) return exception.getStatus();
  const status = (exception as { status?: unknown } | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 500 ? status : 500;
}

function wordsFor(status: number, exception: unknown): string {
  if (status === 413 && !(exception instanceof HttpException))
    return 'This is too large: a document may take up to 4 MB.';
  if (status >= 500 && status !== fromBehind)
    return 'Something went wrong in the server. What you sent is still in your window; try again.';
  const type = (exception as { type?: unknown } | null)?.type;
  if (type === 'entity.parse.failed') return `This is not JSON: ${(exception as Error).message}.`;
  return exception instanceof Error ? exception.message : 'Refused.';
}
