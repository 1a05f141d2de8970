import type { Instrument } from '../../instrument/index.ts';
import type { Meter, Setup } from '../../loading/index.ts';
import { namePattern, replaceElement, type Element } from '../../network/index.ts';
import type { Reading } from '../../readings/index.ts';
import { fail, ok, type Result } from '../../result.ts';
import type { Job } from '../job.ts';

/** Puts an edited element in place; lifted ends follow a new name. */
export function editElement(job: Job, id: string, next: Element): Job {
  const network = replaceElement(job.network, id, next);
  if (next.id === id) return { ...job, network };
  const renamed = (end: string): string =>
    end === `${id}.from` || end === `${id}.to` ? next.id + end.slice(id.length) : end;
  const renamedMeter = <M extends { readonly quantity: string }>(meter: M): M =>
    'ends' in meter ? { ...meter, ends: (meter.ends as string[]).map(renamed) } : meter;
  const setups = job.setups?.map((setup) => ({
    ...setup,
    meters: setup.meters.map(renamedMeter),
  }));
  const readings = job.readings?.map((reading): Reading => {
    const alongside = reading.alongside && { alongside: reading.alongside.map(renamedMeter) };
    if (reading.quantity === 'resistance')
      return { ...reading, ...alongside, element: reading.element === id ? next.id : reading.element };
    return { ...renamedMeter(reading), ...alongside };
  });
  return { ...job, network, ...(setups && { setups }), ...(readings && { readings }) };
}

/** Puts a set-up in the place of the one called `id`; adds it where there is none. */
export function putSetup(job: Job, id: string, next: Setup): Job {
  const setups = job.setups ?? [];
  const there = setups.some((setup) => setup.id === id);
  return { ...job, setups: there ? setups.map((setup) => (setup.id === id ? next : setup)) : [...setups, next] };
}

/** Returns a job without a set-up. */
export const removeSetup = (job: Job, id: string): Job => ({
  ...job,
  setups: (job.setups ?? []).filter((setup) => setup.id !== id),
});

/**
 * Returns the name of a set-up as it is stored: with hyphens in place of spaces.
 *
 * @returns a fault in words if it cannot be one, or another set-up has it
 */
export function setupName(text: string, others: readonly Setup[]): Result<string, { readonly message: string }> {
  const name = text.trim().replace(/\s+/g, '-');
  if (!namePattern.test(name))
    return fail({ message: 'A name has 1 to 32 letters, digits, - and _. Spaces become hyphens.' });
  if (others.some(({ id }) => id === name)) return fail({ message: `There is a set-up ${name} already.` });
  return ok(name);
}

/** Puts a meter into a set-up, in the place of the one with its id or at the end. */
export function putMeter(job: Job, setup: Setup, meter: Meter): Job {
  const there = setup.meters.some((other) => other.id === meter.id);
  const meters = there
    ? setup.meters.map((other) => (other.id === meter.id ? meter : other))
    : [...setup.meters, meter];
  return putSetup(job, setup.id, { ...setup, meters });
}

/** Keeps a copy of an instrument in the job; one that the job already uses stays as it was. */
export function keepInstrument(job: Job, instrument: Instrument): Job {
  const instruments = job.instruments ?? [];
  return instruments.some((other) => other.id === instrument.id)
    ? job
    : { ...job, instruments: [...instruments, instrument] };
}

/** Takes the newest version of an instrument in the place of the one that the job has kept. */
export const renewInstrument = (job: Job, instrument: Instrument): Job => ({
  ...job,
  instruments: (job.instruments ?? []).map((other) => (other.id === instrument.id ? instrument : other)),
});

/** A job to begin with: one supply, ready for its first resistor. */
export const newJob = (title: string): Job => ({
  format: 'usual-drag/job',
  version: 1,
  title,
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 0.5 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 10_000 },
    ],
  },
  instruments: [],
  setups: [],
});
