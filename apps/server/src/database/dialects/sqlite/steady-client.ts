import type { Client } from '@libsql/client';

/**
 * A client that goes on after a failure. A statement that failed stays open in the library until memory is tidied, and its
 * connection refuses all that comes after it (“SQL statements in progress”): so it is given up and the next one opened.
 */
export function steadyClient(client: Client): Client {
  const renewing = <Call extends (...of: never[]) => Promise<unknown>>(call: Call): Call => {
    const bound = call.bind(client) as (...of: unknown[]) => Promise<unknown>;
    return (async (...of: unknown[]) => {
      try {
        return await bound(...of);
      } catch (error) {
        if (!client.closed) client.reconnect();
        throw error;
      }
    }) as unknown as Call;
  };
  return {
    execute: renewing(client.execute),
    batch: renewing(client.batch),
    migrate: renewing(client.migrate),
    executeMultiple: renewing(client.executeMultiple),
    transaction: renewing(client.transaction),
    sync: client.sync.bind(client),
    reconnect: client.reconnect.bind(client),
    close: client.close.bind(client),
    get closed() {
      return client.closed;
    },
    protocol: client.protocol,
  };
}
