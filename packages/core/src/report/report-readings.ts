import { isDay, type Instrument } from '../instrument/index.ts';
import { placeOf } from '../plan/index.ts';
import { observedValue, type ComparedReading, type Conventions, type Reading } from '../readings/index.ts';

/** The note of a reading that no real meter gave. */
export const simulatedNote = 'simulated bench';

/** Beginning of the simulated multimeter's answer to `*IDN?`, and so of the note of a reading that it has sent. */
export const simulatedIdentity = 'Usual Drag,Simulated multimeter,';

/** A reading as the report has it. */
export interface ReportReading {
  readonly reading: Reading;
  readonly place: string;
  readonly instrument: string;
  /** Every observation as the display stood. */
  readonly shown: string;
  /** Day of its first observation, `2026-11-24`; the job's if there is none; null if neither is known. */
  readonly day: string | null;
  /** When its first observation was made, as it is stored. */
  readonly at: string | null;
  /** Null for one that is struck out. */
  readonly compared: ComparedReading | null;
  /** V, A or Ω that the instrument was off by, by its certificate; 0 without one. */
  readonly ownError: number;
  /** Origin of the uncertainty of its corrected value, in words. */
  readonly budget: readonly string[];
  /** It was taken from the simulated bench, or sent by the simulated multimeter on it. */
  readonly simulated: boolean;
}

/** A job's readings, struck ones too, in the order in which they were taken. */
export const reportReadings = (
  readings: readonly Reading[],
  instruments: readonly Instrument[],
  conventions: Conventions,
  day: string | undefined,
  compare: (reading: Reading) => ComparedReading | null,
  budget: (reading: Reading) => readonly string[],
): ReportReading[] =>
  readings.map((reading) => {
    const instrument = instruments.find(({ id }) => id === reading.instrument);
    const compared = reading.struck ? null : compare(reading);
    const at = reading.observations.find((one) => one.at !== undefined)?.at ?? null;
    return {
      reading,
      place: placeOf(reading),
      instrument: instrument?.name ?? reading.instrument,
      shown: reading.observations
        .map(({ shown, unit }) => (shown === 'OL' ? shown : `${shown}\u00a0${unit}`))
        .join('; '),
      day: [at?.slice(0, 10), day].find((one) => one !== undefined && isDay(one)) ?? null,
      at,
      compared,
      budget: compared?.corrected == null ? [] : budget(reading),
      ownError: observedValue(reading, instrument, conventions.observations).ownError,
      simulated: [simulatedNote, simulatedIdentity].some((said) => reading.note?.includes(said)),
    };
  });
