import { documentHash } from './document-hash.ts';
import { recordHash, type Signature } from './signature.ts';

/** One signature over all circuits of an order. */
export interface OrderSignature<S extends Signature = Signature> extends Pick<
  Signature,
  'by' | 'at' | 'restored' | 'kit'
> {
  /** `orderHash` of the circuits that were signed. */
  readonly hash: string;
  /** The signature on each circuit, in their sequence. */
  readonly circuits: readonly S[];
}

/**
 * Returns the hash of an order: `documentHash` of the list of its circuits' hashes, in their sequence.
 *
 * @returns 64 hexadecimal digits
 */
export const orderHash = (circuits: readonly string[]): string => documentHash(circuits);

/** Returns the hash of a signed order: `documentHash` of the list of its circuits' `recordHash`, in their sequence. */
export const orderRecordHash = ({ circuits }: Pick<OrderSignature, 'circuits'>): string =>
  documentHash(circuits.map(recordHash));

/**
 * Returns the signatures over an order whose signature is present on every circuit that it names, the newest first.
 *
 * @param signatures  of any jobs, among them the circuits of the order
 */
export function orderSignatures<S extends Signature>(signatures: readonly S[], order: string): OrderSignature<S>[] {
  const signings = new Map<string, S[]>();
  for (const one of signatures) {
    if (one.order?.number !== order) continue;
    const signing = JSON.stringify([one.at, one.by, one.order.circuits]);
    signings.set(signing, [...(signings.get(signing) ?? []), one]);
  }
  return [...signings.values()].flatMap((members) => complete(members) ?? []).sort((a, b) => b.at.localeCompare(a.at));
}

/** Returns the signature over the order; null if the one on a circuit is absent. */
function complete<S extends Signature>(members: readonly S[]): OrderSignature<S> | null {
  const [{ by, at, order, restored }] = members as [S];
  // Two circuits may be the same document: each signature counts once.
  const left = [...members];
  const circuits = order!.circuits.flatMap((hash) => {
    const at = left.findIndex((one) => one.hash === hash);
    return at < 0 ? [] : left.splice(at, 1);
  });
  if (circuits.length < order!.circuits.length) return null;
  const kit = Object.assign({}, ...circuits.map((one) => one.kit)) as Signature['kit'];
  return { hash: orderHash(order!.circuits), by, at, restored, kit, circuits };
}
