import { Agent, request } from 'node:http';
import type { DocumentChange, StoredDocument } from '@usual-drag/contract';
import { addReading, nextReadingId, type Job } from '@usual-drag/core/job';

/** ms between two askings after what others changed, as the page has it. */
const pause = 300;

const lines = new Agent({ keepAlive: true });

/** Somebody with a page open on a job: takes readings, saves them, and follows what others do to it. */
export class Technician {
  /** Every display that was read, in order. */
  readonly read: string[] = [];
  /** ms from when others read something until it was here. */
  readonly lags: number[] = [];
  /** Answers of the server that are neither an answer nor a question. */
  faults = 0;
  /** The job as it is on this one's screen. */
  job!: StoredDocument<Job>;
  private isUnsaved = false;
  private told = 0;
  private isAsking = false;
  private readonly seen = new Set<string>();
  private readonly left = new AbortController();

  constructor(
    private readonly address: string,
    private readonly jobId: string,
    private readonly name: string,
  ) {}

  /** Opens the job and listens. */
  async open(): Promise<void> {
    this.#take(await this.#ask('GET'));
    void this.#listen();
  }

  /** Whether the displayed document is the newest that the server has announced. */
  get isUpToDate(): boolean {
    return !this.isUnsaved && this.job.revision >= this.told;
  }

  /** Writes a reading down; it is not saved yet. */
  takeReading(): void {
    const shown = String(this.read.length);
    this.read.push(shown);
    const at = new Date().toISOString();
    const { document } = this.job;
    const reading = {
      id: nextReadingId(document.readings ?? []),
      quantity: 'dc-voltage' as const,
      instrument: 'none',
      range: '20 V',
      red: 'B',
      black: '0',
      observations: [{ shown, unit: 'V', at }],
      by: this.name,
    };
    this.job = { ...this.job, document: addReading(document, reading) };
    this.isUnsaved = true;
  }

  /**
   * Saves what was read.
   *
   * @param timeoutMs  ms until the answer is given up, as in a dead spot; the server may have got it all the same
   * @returns ms until the answer; null if there was none, and the same is to be saved again
   */
  async save(timeoutMs?: number): Promise<number | null> {
    const begun = performance.now();
    const { revision, document } = this.job;
    const answer = await this.#ask('PUT', { revision, document }, timeoutMs);
    if (!answer) return null;
    this.isUnsaved = false;
    this.#take(answer);
    // What was heard while this was on its way.
    void this.#catchUpSoon();
    return performance.now() - begun;
  }

  leave(): void {
    this.left.abort();
  }

  async #ask(method: 'GET' | 'PUT', body?: object, timeoutMs?: number): Promise<StoredDocument<Job> | null> {
    try {
      const { status, text } = await this.#send(method, body && JSON.stringify(body), timeoutMs);
      if (status === 200) return JSON.parse(text) as StoredDocument<Job>;
      this.faults += 1;
    } catch {
      // The server is away, or the answer was given up.
    }
    return null;
  }

  /** Node's own requests: they take the least time beside what is measured. */
  #send(method: 'GET' | 'PUT', body = '', timeoutMs?: number): Promise<{ status: number; text: string }> {
    return new Promise((done, failed) => {
      const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
      const signal = timeoutMs === undefined ? undefined : AbortSignal.timeout(timeoutMs);
      const sent = request(
        `${this.address}/api/jobs/${this.jobId}`,
        { method, headers, agent: lines, ...(signal && { signal }) },
        (answer) => {
          const parts: Buffer[] = [];
          answer.on('data', (part: Buffer) => parts.push(part));
          answer.on('error', failed);
          answer.on('end', () => done({ status: answer.statusCode!, text: Buffer.concat(parts).toString() }));
        },
      );
      sent.on('error', failed);
      sent.end(body);
    });
  }

  #take(stored: StoredDocument<Job> | null): void {
    if (!stored || this.isUnsaved || stored.revision < (this.job?.revision ?? 0)) return;
    const now = Date.now();
    const isFirst = this.job === undefined;
    for (const { by, observations } of stored.document.readings ?? []) {
      const { at = '' } = observations[0]!;
      if (this.seen.has(`${by} ${at}`)) continue;
      this.seen.add(`${by} ${at}`);
      if (!isFirst && by !== this.name) this.lags.push(now - Date.parse(at));
    }
    this.job = stored;
  }

  async #listen(): Promise<void> {
    while (!this.left.signal.aborted) {
      try {
        const { body } = await fetch(`${this.address}/api/events`, { signal: this.left.signal });
        // Changes that were made while the line was down.
        await this.#catchUp();
        let rest = '';
        for await (const chunk of body!.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>) {
          const parts = (rest + chunk).split('\n\n');
          rest = parts.pop()!;
          for (const part of parts) this.#hear(/^data: (\{.*)$/m.exec(part)?.[1]);
        }
      } catch {
        await new Promise((later) => setTimeout(later, 100));
      }
    }
  }

  #hear(data: string | undefined): void {
    const change = data === undefined ? null : (JSON.parse(data) as DocumentChange);
    if (change?.id !== this.jobId || change.revision === null) return;
    this.told = Math.max(this.told, change.revision);
    void this.#catchUpSoon();
  }

  async #catchUpSoon(): Promise<void> {
    if (this.isAsking || this.isUpToDate || this.isUnsaved) return;
    this.isAsking = true;
    await this.#catchUp();
    await new Promise((later) => setTimeout(later, pause));
    this.isAsking = false;
    await this.#catchUpSoon();
  }

  async #catchUp(): Promise<void> {
    this.#take(await this.#ask('GET'));
  }
}
