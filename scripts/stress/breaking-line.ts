import { createServer, connect, type AddressInfo, type Socket } from 'node:net';
import { once } from 'node:events';

/** Connection to a database that breaks. */
export interface BreakingLine {
  readonly port: number;
  /** Connections that were cut after a commit was sent, before its answer. */
  cuts(): number;
  stop(): void;
}

/**
 * Passes bytes on to a database server, and cuts a connection as soon as a commit on it was passed on: the database carries it out, and
 * the one who sent it does not learn that.
 *
 * @param every  number of commits of which the last one is cut
 */
export async function breakingLine(databasePort: number, every: number): Promise<BreakingLine> {
  let [commits, cuts] = [0, 0];
  const sockets = new Set<Socket>();
  const server = createServer((from) => {
    const to = connect(databasePort, '127.0.0.1');
    const end = (): void => {
      from.destroy();
      to.destroy();
    };
    for (const socket of [from, to]) {
      sockets.add(socket);
      socket.on('error', end).on('close', end);
    }
    to.on('data', (bytes) => from.write(bytes));
    from.on('data', (bytes) => {
      // A statement without parameters is a message of its own: its type, its length and its text.
      const isCommit = bytes[0] === 0x51 && bytes.subarray(5, 11).toString() === 'commit';
      if (isCommit) commits += 1;
      if (!isCommit || commits % every !== 0) return void to.write(bytes);
      cuts += 1;
      from.destroy();
      to.end(bytes);
    });
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  return {
    port: (server.address() as AddressInfo).port,
    cuts: () => cuts,
    stop: () => {
      server.close();
      for (const socket of sockets) socket.destroy();
    },
  };
}
