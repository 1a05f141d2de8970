import type { Client } from '@libsql/client';

/**
 * A client that goes on after a failure. A statement that failed stays open in the library until memory is tidied, and its
 * connection refuses all that comes after it (“SQL statements in progress”): so it is given up and the next one opened.
 */
export function steadyClient(client: Client): Client {
  const renewing =
    <Arguments extends unknown[], Answer>(act: (...of: Arguments) => Promise<Answer>) =>
    async (...of: Arguments): Promise<Answer> => {
      try {
        return await act.apply(client, of);
      } catch (error) {
        if (!client.closed) await client.reconnect();
        throw error;
      }
    };
  return {
    execute: renewing(client.execute) as Client['execute'],
    batch: renewing(client.batch) as Client['batch'],
    migrate: renewing(client.migrate),
    executeMultiple: renewing(client.executeMultiple),
    transaction: client.transaction.bind(client) as Client['transaction'],
    sync: client.sync.bind(client),
    reconnect: client.reconnect.bind(client),
    close: client.close.bind(client),
    get closed() {
      return client.closed;
    },
    protocol: client.protocol,
  };
}
