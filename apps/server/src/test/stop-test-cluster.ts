/** Ends the cluster of the tests. */
export default async function stopTestCluster(): Promise<void> {
  await globalThis.testCluster?.remove();
}
