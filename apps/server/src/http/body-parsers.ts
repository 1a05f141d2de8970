import { isUtf8 } from 'node:buffer';
import { BadRequestException } from '@nestjs/common';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { largestArchive, largestDocument } from '@usual-drag/contract';
import express, { type Request } from 'express';

/** Bytes that may be sent beside a document. */
const envelope = 64 * 1024;

/** The type of a request's body in lower case, without parameters; empty if none is given. */
export const contentTypeOf = (request: Request): string =>
  (request.headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase();

/** Reads JSON bodies everywhere, and ZIP archives at the one address that takes them. */
export function readBodies(app: NestExpressApplication): void {
  app.use('/api/jobs/import-archive', express.raw({ type: 'application/zip', limit: largestArchive }));
  app.use(express.json({ limit: largestDocument + envelope, strict: false, verify: refuseDamagedText }));
}

/** Bytes that are not UTF-8 would be stored as replacement characters: they are refused instead. */
function refuseDamagedText(_request: unknown, _response: unknown, body: Buffer): void {
  if (!isUtf8(body)) throw new BadRequestException('This is not UTF-8 text. Save the file as UTF-8 and send it again.');
}
