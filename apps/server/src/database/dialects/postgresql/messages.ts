import { randomUUID } from 'node:crypto';
import { setTimeout as delay } from 'node:timers/promises';
import { Client } from 'pg';
import { filter, map, Subject, type Observable } from 'rxjs';
import { applicationName } from './connected-servers.ts';
import type { Peers, PeerTopic } from '../../peers.ts';

/** Name under which the servers of one database send and receive. */
const channel = 'usual_drag';
/** ms between two attempts to connect. */
const reconnectMs = 500;
/** Messages that wait for the connection; older ones are discarded. */
const mostWaiting = 1000;

interface Message {
  /** Id of the server that sent it. */
  readonly from: string;
  readonly topic: PeerTopic;
  readonly message: unknown;
}

/** Messages between the servers of one database, through LISTEN and NOTIFY on a connection of its own. */
export class Messages implements Peers {
  readonly #id = randomUUID();
  readonly #received = new Subject<Message>();
  readonly interrupted = new Subject<void>();
  #connection: Client | null = null;
  #waiting: string[] = [];
  #isSending = false;
  #isReconnecting = false;
  #isClosed = false;

  private constructor(private readonly url: string) {}

  /** Connects to the database. @throws the error of the driver if that fails */
  static async open(url: string): Promise<Messages> {
    const messages = new Messages(url);
    await messages.#connect().catch((error: unknown) => {
      messages.#isClosed = true;
      throw error;
    });
    return messages;
  }

  send(topic: PeerTopic, message: unknown): void {
    this.#waiting.push(JSON.stringify({ from: this.#id, topic, message } satisfies Message));
    this.#waiting.splice(0, Math.max(0, this.#waiting.length - mostWaiting));
    void this.#flush();
  }

  received(topic: PeerTopic): Observable<unknown> {
    return this.#received.pipe(
      filter((received) => received.topic === topic),
      map(({ message }) => message),
    );
  }

  async close(): Promise<void> {
    this.#isClosed = true;
    await this.#flush();
    await this.#connection?.end();
  }

  async #connect(): Promise<void> {
    const connection = new Client({ connectionString: this.url, keepAlive: true, application_name: applicationName });
    connection.on('notification', ({ payload }) => {
      const message = messageOf(payload);
      if (message && message.from !== this.#id) this.#received.next(message);
    });
    // The end is reported as well, and reconnects.
    connection.on('error', () => undefined);
    await connection.connect();
    let hasEnded = false;
    connection.once('end', () => {
      hasEnded = true;
      this.#connection = null;
      void this.#reconnect();
    });
    this.#connection = connection;
    await connection.query(`listen ${channel}`);
    await this.#flush();
    if (hasEnded) throw new Error('The connection ended while it was set up.');
  }

  async #reconnect(): Promise<void> {
    if (this.#isReconnecting) return;
    this.#isReconnecting = true;
    let isOpen = false;
    while (!isOpen && !this.#isClosed) {
      await delay(reconnectMs);
      // It fails while the database is away.
      isOpen = await this.#connect().then(
        () => true,
        () => false,
      );
    }
    this.#isReconnecting = false;
    if (isOpen) this.interrupted.next();
  }

  /** Sends the waiting messages in their order. Those that were not sent wait for the next connection. */
  async #flush(): Promise<void> {
    if (this.#isSending) return;
    this.#isSending = true;
    try {
      while (this.#connection && this.#waiting.length > 0) {
        const sent = this.#waiting.splice(0);
        try {
          await this.#connection.query('select pg_notify($1, text) from unnest($2::text[]) as text', [channel, sent]);
        } catch {
          this.#waiting.unshift(...sent);
          return;
        }
      }
    } finally {
      this.#isSending = false;
    }
  }
}

/** Returns the message of a notification; null if another program sent it. */
function messageOf(payload = ''): Message | null {
  try {
    const { from, topic, message } = JSON.parse(payload) as Partial<Message>;
    return typeof from === 'string' && topic ? { from, topic, message } : null;
  } catch {
    return null;
  }
}
