import type { InstrumentReading } from '@usual-drag/contract';
import type { ReadingQuantity } from '@usual-drag/core/instrument';
import { ask } from './http.ts';

/** Request for a reading; the place is for a simulated instrument, whose leads are placed by the program. */
interface Asked {
  readonly quantity: ReadingQuantity;
  readonly range: string;
  readonly jobId: string;
  readonly place: object;
}

/** Milliseconds; the server gives up a slow instrument earlier, and reports the reason. */
const timeoutMs = 60_000;

/** Takes a reading from an instrument that has an address in the kit. */
export const readInstrument = (id: string, asked: Asked) =>
  ask<InstrumentReading>('POST', `/instruments/${encodeURIComponent(id)}/read`, asked, timeoutMs);
