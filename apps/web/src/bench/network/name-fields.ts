import { fail, ok, type Result } from '@usual-drag/core/result';
import { namePattern, type Network } from '@usual-drag/core/network';

interface Fault {
  readonly message: string;
}

/** A name that no other part has. */
export const nameField =
  (network: Network, own: string) =>
  (text: string): Result<string, Fault> => {
    const name = text.trim();
    if (!namePattern.test(name)) return fail({ message: 'Up to 32 letters, digits, - and _, without spaces.' });
    const taken = name !== own && network.elements.some((element) => element.id === name);
    return taken ? fail({ message: `${name} already exists.` }) : ok(name);
  };

export function nodeField(text: string): Result<string, Fault> {
  const name = text.trim();
  return namePattern.test(name) ? ok(name) : fail({ message: 'A node has up to 32 letters, digits, - and _.' });
}
