import { findRange, type Instrument } from '@usual-drag/core/instrument';
import type { Reading } from '@usual-drag/core/readings';
import { useMutation, useQuery } from '@tanstack/react-query';
import { readInstrument } from '../../../api/instrument-link.ts';
import { listQuery } from '../../../api/lists.ts';
import { benchNow } from '../../model/bench-store.ts';
import { keepReading, type Placed } from './keep-reading.ts';

/** An instrument that can be asked for its reading. */
export interface InstrumentLink {
  /** Takes what it reads now, and keeps it. */
  readonly take: () => void;
  readonly isTaking: boolean;
  /** Reason why the last one was not taken. */
  readonly failure: string | null;
}

/**
 * The way to an instrument's own reading at a place; null if the kit has no address for it.
 *
 * @param instrument  as the job has it
 * @param onKept      called with the reading once it is kept
 */
export function useInstrumentLink(
  instrument: Instrument | undefined,
  placed: Placed,
  onKept: (reading: Reading) => void = () => undefined,
): InstrumentLink | null {
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const address = kit.find(({ id }) => id === instrument?.id)?.document.address;
  const { mutate, isPending, error } = useMutation({
    mutationFn: async () => {
      const { jobId } = benchNow();
      const { quantity, range, instrument: id, alongside: _others, scale: _scale, rate: _rate, ...where } = placed;
      const read = await readInstrument(id, { quantity, range, jobId: jobId ?? '', place: { quantity, ...where } });
      // While it was waited for another job may have come onto the bench.
      return benchNow().jobId === jobId ? read : null;
    },
    onSuccess: (read) => {
      if (!read) return;
      const { shown, unit, identity, range } = read;
      const isThere = instrument && findRange(instrument, placed.quantity, range) !== undefined;
      const at = isThere ? { ...placed, range } : placed;
      const observation = { shown, unit, at: new Date().toISOString() };
      keepReading(at, observation, false, { source: 'instrument', note: identity.slice(0, 200) });
      onKept({ id: 'kept', observations: [observation], ...at });
    },
  });
  if (address === undefined) return null;
  return { take: () => !isPending && mutate(), isTaking: isPending, failure: error && error.message };
}
