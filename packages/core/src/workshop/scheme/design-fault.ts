/** Reason why a meter cannot be made. */
export interface DesignFault {
  readonly code: 'range-too-low' | 'movement-contradiction' | 'invalid-value';
  /** In a technician's words, with what to change. */
  readonly message: string;
  readonly where: readonly string[];
}
