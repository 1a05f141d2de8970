/** A document without the keys that were left empty, at every depth. */
export function withoutEmpty(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutEmpty);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, held]) => held !== undefined && held !== '')
      .map(([key, held]) => [key, withoutEmpty(held)]),
  );
}
