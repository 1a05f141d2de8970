/** One thing that is wrong with what was sent. */
export interface Fault {
  /** Where: a key's path, or the ids of parts. */
  readonly path: string;
  readonly message: string;
  readonly code?: string;
}

/** The body of every refusal. */
export interface Refusal {
  readonly error: { readonly status: number; readonly message: string; readonly faults?: readonly Fault[] };
}
