import { NotFoundException } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';

/** Refuses an address with the character NUL (404): no name has it, and PostgreSQL stores no text with it. */
export function refuseNul(request: Request, _response: Response, next: NextFunction): void {
  next(/%00/.test(request.url) ? new NotFoundException('This address has a character that no name has.') : undefined);
}
