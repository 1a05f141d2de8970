import { connect, type Socket } from 'node:net';
import { inAddress } from '../network/addresses.ts';
import { LinkFailure } from './link-failure.ts';

/** Bytes that an answer may take; an instrument that sends more is not answering. */
const longestAnswer = 8192;

/**
 * A connection on which lines are asked and answered, one at a time. Whatever is out of step ends it, so that no answer can be taken
 * for that of another question.
 */
export class LineConnection {
  #received = '';
  #waiting: { readonly take: (line: string) => void; readonly fail: (failure: LinkFailure) => void } | null = null;
  #ended: LinkFailure | null = null;

  private constructor(private readonly socket: Socket) {
    socket.setEncoding('utf8');
    socket.setNoDelay(true);
    socket.on('data', (chunk: string) => this.#receive(chunk));
    socket.on('error', (error) => this.end(`The connection to the instrument broke: ${error.message}.`));
    socket.on('close', () => this.end('The instrument ended the connection.'));
  }

  /** @throws LinkFailure if nothing answers at the address within some milliseconds */
  static open(host: string, port: number, timeoutMs: number): Promise<LineConnection> {
    return new Promise((opened, failed) => {
      const socket = connect({ host, port });
      const refuse = (why: string): void => {
        clearTimeout(timer);
        socket.destroy();
        failed(
          new LinkFailure(
            `Nothing answers at tcp://${inAddress(host)}:${port} (${why}). Look whether the instrument is on, and at its address in the kit.`,
          ),
        );
      };
      const timer = setTimeout(() => refuse(`not within ${timeoutMs / 1000} s`), timeoutMs);
      socket.once('error', (error: NodeJS.ErrnoException) => refuse(error.code ?? error.message));
      socket.once('connect', () => {
        clearTimeout(timer);
        socket.removeAllListeners('error');
        opened(new LineConnection(socket));
      });
    });
  }

  get isOpen(): boolean {
    return this.#ended === null;
  }

  /** Sends a line that has no answer. */
  tell(line: string): void {
    if (this.#ended) throw this.#ended;
    this.socket.write(`${line}\n`);
  }

  /**
   * Sends a line and waits for its answer.
   *
   * @throws LinkFailure if none comes in time, too much does, or the connection ends
   */
  ask(line: string, timeoutMs: number): Promise<string> {
    return new Promise((take, fail) => {
      if (this.#ended) return fail(this.#ended);
      const timer = setTimeout(
        () =>
          this.end(
            `The instrument did not answer “${line}” within ${timeoutMs / 1000} s. It may be waiting for a trigger, or be busy: look at its display.`,
          ),
        timeoutMs,
      );
      const settle = (): void => {
        clearTimeout(timer);
        this.#waiting = null;
      };
      this.#waiting = {
        take: (answer) => (settle(), take(answer)),
        fail: (failure) => (settle(), fail(failure)),
      };
      this.tell(line);
    });
  }

  /** Closes the connection and rejects the pending request with the reason. */
  end(why: string): void {
    if (this.#ended) return;
    this.#ended = new LinkFailure(why);
    this.socket.destroy();
    this.#waiting?.fail(this.#ended);
  }

  #receive(chunk: string): void {
    this.#received += chunk;
    if (this.#received.length > longestAnswer)
      return this.end('The instrument sends without end. Nothing was written down: switch it off and on again.');
    const end = this.#received.indexOf('\n');
    if (end === -1) {
      // The beginning of an answer to no request.
      if (!this.#waiting) this.end(outOfStep);
      return;
    }
    const line = this.#received.slice(0, end).replace(/\r$/, '');
    const rest = this.#received.slice(end + 1);
    if (!this.#waiting || rest !== '') return this.end(outOfStep);
    this.#received = '';
    this.#waiting.take(line);
  }
}

const outOfStep =
  'The instrument sent more than it was asked for, so that it is not certain which answer is which. Nothing was written down.';
