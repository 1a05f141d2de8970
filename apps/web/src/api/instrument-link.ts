import type { InstrumentReading } from '@usual-drag/contract';
import type { ReadingQuantity } from '@usual-drag/core';
import { ask } from './http.ts';

/** What an instrument is asked for; the place is for a simulated one, whose leads a program puts. */
interface Asked {
  readonly quantity: ReadingQuantity;
  readonly range: string;
  readonly jobId: string;
  readonly place: object;
}

/** ms: the server gives a slow instrument up before, and says why. */
const timeoutMs = 60_000;

/** Takes a reading from an instrument that has an address in the kit. */
export const readInstrument = (id: string, asked: Asked) =>
  ask<InstrumentReading>('POST', `/instruments/${encodeURIComponent(id)}/read`, asked, timeoutMs);
