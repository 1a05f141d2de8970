/** Remembers what was made last: the same again from the same arguments. */
export function newest<A extends readonly unknown[], T>(make: (...args: A) => T): (...args: A) => T {
  let last: { readonly args: A; readonly made: T } | null = null;
  return (...args) => {
    if (!last?.args.every((arg, index) => arg === args[index])) last = { args, made: make(...args) };
    return last.made;
  };
}
