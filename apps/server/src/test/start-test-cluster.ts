import { startCluster, type PostgresCluster } from './postgres-cluster.ts';
import { clusterVariable } from './test-database.ts';

declare global {
  var testCluster: PostgresCluster | undefined;
}

/** Starts the cluster on which the tests of this run share, before the first of them. */
export default async function startTestCluster(): Promise<void> {
  globalThis.testCluster = await startCluster(false);
  process.env[clusterVariable] = globalThis.testCluster.url;
}
