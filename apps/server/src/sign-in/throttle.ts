import type { Request, RequestHandler, Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { isLocalIPv6 } from '../network/addresses.ts';

const minute = 60_000;
/** Wrong tries a minute: of one device or address, and of all addresses together. */
const tries = { one: 5, all: 60 } as const;

interface Throttled {
  /** The device that a request comes from if it was signed in before, else null. */
  deviceOf(request: Request): string | null;
  /** Answers a request that has to wait. */
  refuse(request: Request, response: Response): void;
}

/**
 * Limits how often the passphrase may be tried wrongly: first by device or address, then over all addresses. A try that the first
 * limit refuses does not count for the second, and a device that was signed in before counts for itself alone, so that strangers
 * cannot lock it out.
 */
export function throttleTries({ deviceOf, refuse }: Throttled): RequestHandler[] {
  const common = {
    windowMs: minute,
    skipSuccessfulRequests: true,
    legacyHeaders: false,
    validate: false,
    handler: refuse,
  } as const;
  return [
    rateLimit({
      ...common,
      limit: tries.one,
      keyGenerator: (request) => {
        const device = deviceOf(request);
        return device === null ? addressKey(request.ip ?? '') : `device ${device}`;
      },
    }),
    rateLimit({
      ...common,
      limit: tries.all,
      keyGenerator: () => 'all',
      skip: (request) => deviceOf(request) !== null,
    }),
  ];
}

/** Returns the key that tries are counted by: the whole address on the local network, otherwise the /64 prefix of an IPv6 address. */
const addressKey = (address: string): string =>
  isLocalIPv6(address) ? ipKeyGenerator(address, false) : ipKeyGenerator(address, 64);
