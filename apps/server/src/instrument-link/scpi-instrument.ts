import { unitOf, type Address, type ReadingQuantity } from '@usual-drag/core/instrument';
import type { Observation } from '@usual-drag/core/readings';
import { dialectOf, type Dialect } from './dialects/index.ts';
import { LineConnection } from './line-connection.ts';
import { LinkFailure } from './link-failure.ts';
import { observationOf, quoted } from './sent-number.ts';

/** ms that an instrument is waited for: to connect, for an answer, and for a reading. */
export interface Timeouts {
  readonly connectMs: number;
  readonly answerMs: number;
  readonly readingMs: number;
}

/** A value as an instrument sent it. */
export interface SentReading {
  readonly observation: Observation;
  /** Word for word. */
  readonly sent: string;
  /** Answer to `*IDN?`. */
  readonly identity: string;
}

/** Quantity to read, and how. */
export interface AskedReading {
  readonly quantity: ReadingQuantity;
  /** V, A or Ω of the range to be set; null if it chooses by itself. */
  readonly range: number | null;
  /** Lines that put the leads of a simulated instrument; asked for where it is one, and only then. */
  readonly leads?: () => Promise<readonly string[]>;
}

/** A connection to an instrument that has given its name. */
interface Connection {
  readonly line: LineConnection;
  readonly identity: string;
  readonly dialect: Dialect;
}

/**
 * One instrument that speaks the open command standard (IEEE 488.2, SCPI-99) over a socket. It has one connection, on which one
 * reading is taken after the other; a connection that is out of step is given up, and the next reading opens another.
 */
export class ScpiInstrument {
  #connection: Connection | null = null;
  #queue: Promise<unknown> = Promise.resolve();
  #waiting = 0;

  constructor(
    private readonly address: Address,
    private readonly timeouts: Timeouts,
  ) {}

  /** @throws LinkFailure if no value can be had, in a technician's words */
  read(asked: AskedReading): Promise<SentReading> {
    if (this.#waiting >= mostWaiting)
      return Promise.reject(
        new LinkFailure('Too many readings of this instrument are waiting already. Try again in a moment.'),
      );
    this.#waiting += 1;
    const reading = this.#queue.then(() => this.#read(asked)).finally(() => (this.#waiting -= 1));
    this.#queue = reading.catch(() => undefined);
    return reading;
  }

  close(): void {
    this.#connection?.line.end('The server is ending.');
    this.#connection = null;
  }

  async #read({ quantity, range, leads }: AskedReading): Promise<SentReading> {
    const { line, identity, dialect } = await this.#open();
    try {
      if (leads && dialect.takesLeads) for (const lead of await leads()) line.tell(lead);
      await this.#configure(line, dialect, quantity, range);
      const sent = await line.ask(dialect.read, this.timeouts.readingMs);
      await this.#expectNoError(line, dialect);
      return { observation: observationOf(sent, unitOf(quantity)), sent, identity };
    } catch (failure) {
      // A late answer must not become the next reading.
      line.end('A reading failed.');
      this.#connection = null;
      throw failure;
    }
  }

  /** Sets function and range; an instrument that does not take the range sets it by itself. */
  async #configure(
    line: LineConnection,
    dialect: Dialect,
    quantity: ReadingQuantity,
    range: number | null,
  ): Promise<void> {
    const command = dialect.configure[quantity];
    if (range !== null) {
      line.tell(`${command} ${range}`);
      if ((await this.#error(line, dialect)) === null) return;
    }
    line.tell(command);
    await this.#expectNoError(line, dialect);
  }

  async #expectNoError(line: LineConnection, dialect: Dialect): Promise<void> {
    const error = await this.#error(line, dialect);
    if (error !== null)
      throw new LinkFailure(`The instrument reports an error, ${quoted(error)}. Nothing was written down.`);
  }

  /** The oldest error in its queue; null if there is none. */
  async #error(line: LineConnection, { oldestError }: Dialect): Promise<string | null> {
    const answer = await line.ask(oldestError, this.timeouts.answerMs);
    // A number and a text, as the standard has it: a number alone may be a late reading.
    const match = /^\s*([+-]?\d+)\s*,\s*["']?\p{L}/u.exec(answer);
    if (!match)
      throw new LinkFailure(
        `The instrument answered ${quoted(answer)} where its error was asked for. Nothing was written down.`,
      );
    return Number(match[1]) === 0 ? null : answer.trim();
  }

  /** The connection that is there, or a new one: who it is, and no errors from before. */
  async #open(): Promise<Connection> {
    if (this.#connection?.line.isOpen) return this.#connection;
    const { host, port } = this.address;
    const line = await LineConnection.open(host, port, this.timeouts.connectMs);
    try {
      const identity = await line.ask('*IDN?', this.timeouts.answerMs);
      if (identity.trim() === '' || /[^\p{L}\p{N}\p{P}\p{S} ]/u.test(identity))
        throw new LinkFailure(`The instrument answered ${quoted(identity)} where its name was asked for.`);
      const dialect = dialectOf(identity.trim());
      for (let errors = 0; (await this.#error(line, dialect)) !== null; errors += 1)
        if (errors >= mostErrors)
          throw new LinkFailure('The instrument reports errors without end. Switch it off and on again.');
      this.#connection = { line, identity: identity.trim(), dialect };
      return this.#connection;
    } catch (failure) {
      line.end('It could not be opened.');
      throw failure;
    }
  }
}

/** Readings that may wait for one instrument, and errors that it may have from before. */
const mostWaiting = 8;
const mostErrors = 30;
