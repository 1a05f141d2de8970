import { Agent, request } from 'node:http';
import {
  followSteps,
  savedJob,
  type DocumentChange,
  type ReadingsStep,
  type SavedReadings,
  type StoredDocument,
} from '@usual-drag/contract';
import { addReading, changedReadings, nextReadingId, type Job } from '@usual-drag/core/job';

/** ms between two askings after what others changed, as the page has it. */
const pause = 300;

const lines = new Agent({ keepAlive: true });

/** Somebody with a page open on a job: takes readings, saves them, and follows what others do to it. */
export class Technician {
  /** Every display that was read, in order. */
  readonly read: string[] = [];
  /** ms from when others read something until it was here. */
  readonly lags: number[] = [];
  /** Answers with another status than 200, but not 503 with a time to try again. */
  faults = 0;
  /** Answers of 503 with a time to try again. */
  refused = 0;
  /** Bytes of requests, answers and announcements. */
  bytes = 0;
  /** The job as it is on this one's screen. */
  job!: StoredDocument<Job>;
  /** The job as it was on the server at that revision. */
  private stored!: Job;
  private isUnsaved = false;
  private readonly steps = new Map<number, ReadingsStep>();
  private told = 0;
  private isAsking = false;
  private readonly seen = new Set<string>();
  private readonly left = new AbortController();

  constructor(
    private readonly address: string,
    private readonly jobId: string,
    private readonly name: string,
  ) {}

  /** Opens the job and listens; waits until the line is open. */
  async open(): Promise<void> {
    this.#take(await this.#ask<StoredDocument<Job>>('GET'));
    await new Promise<void>((isOpen) => void this.#listen(isOpen));
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
    const readings = changedReadings(this.stored, document)!;
    const answer = await this.#ask<SavedReadings | StoredDocument<Job>>('POST', { revision, readings }, timeoutMs);
    if (!answer) return null;
    this.isUnsaved = false;
    this.#take(savedJob(this.stored, answer));
    // Announcements that arrived before the answer.
    this.#takeSteps();
    void this.#catchUpSoon();
    return performance.now() - begun;
  }

  leave(): void {
    this.left.abort();
  }

  async #ask<Answer>(method: 'GET' | 'POST', body?: object, timeoutMs?: number): Promise<Answer | null> {
    try {
      const sent = body && JSON.stringify(body);
      const { status, text, mayRetry } = await this.#send(method, sent, timeoutMs);
      this.bytes += Buffer.byteLength(sent ?? '') + Buffer.byteLength(text);
      if (status === 200) return JSON.parse(text) as Answer;
      if (status === 503 && mayRetry) this.refused += 1;
      else this.faults += 1;
    } catch {
      // The server is away, or the answer was given up.
    }
    return null;
  }

  /** Node's own requests: they take the least time beside what is measured. */
  #send(
    method: 'GET' | 'POST',
    body = '',
    timeoutMs?: number,
  ): Promise<{ status: number; text: string; mayRetry: boolean }> {
    return new Promise((done, failed) => {
      const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
      const signal = timeoutMs === undefined ? undefined : AbortSignal.timeout(timeoutMs);
      const sent = request(
        `${this.address}/api/jobs/${this.jobId}${method === 'POST' ? '/readings' : ''}`,
        { method, headers, agent: lines, ...(signal && { signal }) },
        (answer) => {
          const parts: Buffer[] = [];
          answer.on('data', (part: Buffer) => parts.push(part));
          answer.on('error', failed);
          answer.on('end', () =>
            done({
              status: answer.statusCode!,
              text: Buffer.concat(parts).toString(),
              mayRetry: answer.headers['retry-after'] !== undefined,
            }),
          );
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
    this.stored = stored.document;
  }

  async #listen(isOpen: () => void): Promise<void> {
    while (!this.left.signal.aborted) {
      try {
        const { body } = await fetch(`${this.address}/api/events?follow=jobs/${this.jobId}`, {
          signal: this.left.signal,
        });
        let rest = '';
        for await (const chunk of body!.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>) {
          this.bytes += chunk.length;
          isOpen();
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
    if (change.step) this.steps.set(change.revision, change.step);
    this.#takeSteps();
    void this.#catchUpSoon();
  }

  /** Applies the announced readings. */
  #takeSteps(): void {
    if (this.isUnsaved) return;
    this.#take(followSteps(this.job, this.steps));
    for (const revision of this.steps.keys()) if (revision <= this.job.revision) this.steps.delete(revision);
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
    this.#take(await this.#ask<StoredDocument<Job>>('GET'));
  }
}
