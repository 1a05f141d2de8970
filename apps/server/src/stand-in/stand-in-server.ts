import { once } from 'node:events';
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { SimulatedMultimeter } from './simulated-multimeter.ts';

/** Faults that the simulated instrument can imitate. */
export interface Misbehaviour {
  /** It takes ten seconds over each answer. */
  readonly slow?: boolean;
  /** Whether readings are answered with text that is not a number. */
  readonly garbled?: boolean;
  /** It ends the connection when it is to answer a reading. */
  readonly drop?: boolean;
}

/** Bytes that a line may take: a whole network is sent on one. */
const longestLine = 8 * 2 ** 20;
const slowness = 10_000;

/**
 * Serves a simulated multimeter on this computer.
 *
 * @param port  0 for any that is free
 * @throws the error of listening, where the port is taken
 */
export async function serveStandIn(
  make: () => SimulatedMultimeter,
  port: number,
  misbehaviour: Misbehaviour = {},
): Promise<{ readonly port: number; readonly server: Server }> {
  const server = createServer((socket) => answerOn(socket, make(), misbehaviour));
  server.listen(port, '127.0.0.1');
  await once(server, 'listening');
  return { port: (server.address() as AddressInfo).port, server };
}

function answerOn(socket: Socket, multimeter: SimulatedMultimeter, { slow, garbled, drop }: Misbehaviour): void {
  let received = '';
  socket.setEncoding('utf8');
  socket.on('error', () => socket.destroy());
  socket.on('data', (chunk: string) => {
    received += chunk;
    if (received.length > longestLine) return void socket.destroy();
    const lines = received.split('\n');
    received = lines.pop()!;
    for (const line of lines) {
      const answer = multimeter.answer(line.replace(/\r$/, ''));
      if (answer === null) continue;
      const isReading = /^\s*:?(READ|MEAS)/i.test(line);
      if (drop && isReading) return void socket.destroy();
      const said = garbled && isReading ? '+6.3#7E+0' : answer;
      setTimeout(() => socket.writable && socket.write(`${said}\n`), slow ? slowness : 0).unref();
    }
  });
}
