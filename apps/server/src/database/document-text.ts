import { largestDocument } from '@usual-drag/contract';

/** A document that is larger than a file may be: it could never be imported again. */
export class TooLarge extends Error {}

/**
 * A document as it is stored.
 *
 * @throws TooLarge
 */
export function documentText(document: unknown): string {
  const text = JSON.stringify(document);
  if (Buffer.byteLength(text) > largestDocument) throw new TooLarge();
  return text;
}
