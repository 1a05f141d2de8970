import { serverAddress } from './base-path.ts';
import { nowSignedOut, useSignedOut } from './signed-out.ts';

/** Milliseconds until an answer is given up, by the size of the request; in a dead spot none ever comes. */
const longest = (characters: number): number => 8000 + Math.ceil(characters / 100);

/** A request that the server refused, with its reason. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly details: Readonly<Record<string, unknown>>,
  ) {
    super(message);
  }
}

/** A request that the server could not carry out, its disk being full perhaps, or nobody signed in: the same may succeed later. */
export class Failed extends Error {}

/** A request that never got an answer. */
export class Unreachable extends Error {}

/**
 * Asks the server.
 *
 * @param timeoutMs  ms until the answer is given up
 * @throws Refused or Failed with the server's words, Unreachable if there is no answer
 */
export async function ask<T>(method: string, path: string, body?: unknown, timeoutMs?: number): Promise<T> {
  const json = body === undefined ? undefined : JSON.stringify(body);
  return answerTo(method, path, 'application/json', json, AbortSignal.timeout(timeoutMs ?? longest(json?.length ?? 0)));
}

/** The same with a body that is no JSON. */
export async function answerTo<T>(
  method: string,
  path: string,
  type: string,
  body?: BodyInit,
  signal?: AbortSignal,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(serverAddress(`api${path}`), {
      method,
      ...(method !== 'GET' && { headers: { 'content-type': type } }),
      ...(body !== undefined && { body }),
      ...(signal && { signal }),
    });
  } catch {
    throw new Unreachable('The server does not answer.');
  }
  if (response.ok && useSignedOut.getState().isSignedOut) useSignedOut.setState({ isSignedOut: false });
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as {
    error?: { message: string } & Record<string, unknown>;
  } | null;
  if (response.ok && answer !== null) return answer as T;
  if (answer?.error === undefined) throw new Unreachable('The server does not answer.');
  const { message, ...details } = answer.error;
  if (response.status === 401) {
    nowSignedOut();
    throw new Failed('This device is not signed in.');
  }
  if (response.status === 503 || response.status === 507) throw new Failed(message);
  throw new Refused(response.status, message, details);
}
