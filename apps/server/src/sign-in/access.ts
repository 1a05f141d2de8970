import type { Listening } from '../network/addresses.ts';
import type { Sessions } from './sessions.ts';

/** The token under which the access is injected. */
export const ACCESS = Symbol('access');

/** Addresses of the server, and the rules of access. */
export interface Access {
  /** Null if only this computer gets here and nothing is asked. */
  readonly sessions: Sessions | null;
  /** Known once the server listens. */
  listening(): Listening;
}
