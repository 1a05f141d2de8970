import type { KeptSignature } from '@usual-drag/contract';
import { ask } from './http.ts';

const address = (order: string): string => `/orders/${encodeURIComponent(order)}`;

/** Sets the sequence of an order's circuits, as ids of jobs. */
export const reorderCircuits = (order: string, jobs: readonly string[]) =>
  ask<undefined>('PUT', `${address(order)}/sequence`, { jobs });

/** Jobs of an order in their sequence, as they were on the screen, with signer and ticks. */
export interface OrderToSign extends Pick<KeptSignature, 'hash' | 'by' | 'restored'> {
  readonly jobs: readonly string[];
}

/** Signs all circuits of an order as they are stored. */
export const signOrder = (order: string, signature: OrderToSign) =>
  ask<KeptSignature[]>('POST', `${address(order)}/signatures`, signature);
