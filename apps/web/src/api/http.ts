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

/** A request that never got an answer. */
export class Unreachable extends Error {}

/**
 * Asks the server.
 *
 * @throws Refused with the server's words, Unreachable where there is no answer
 */
export async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body !== undefined && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new Unreachable('The server does not answer.');
  }
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as {
    error?: { message: string } & Record<string, unknown>;
  } | null;
  if (response.ok && answer !== null) return answer as T;
  if (response.status >= 502 || answer === null) throw new Unreachable('The server does not answer.');
  const { message = 'Refused.', ...details } = answer.error ?? {};
  throw new Refused(response.status, message as string, details);
}
