/** Colours besides the reference's grey; after the last they begin again, which is why the letter always stands by. */
const colours = 8;

/** The colour of a node, by its place among the network's nodes; `0`, the common, is grey. */
export function nodeColour(node: string, nodes: readonly string[]): string {
  if (node === '0') return 'var(--node-0)';
  const others = nodes.filter((other) => other !== '0');
  return `var(--node-${(Math.max(0, others.indexOf(node)) % colours) + 1})`;
}
