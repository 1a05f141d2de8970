import type { Instrument } from '@usual-drag/core/instrument';
import { networkMeant } from '@usual-drag/core/job';
import { useMemo } from 'react';
import { useUnloaded } from './analysis.ts';
import { useBench } from './bench-store.ts';
import { useTried, useTriedFault } from './tried.ts';
import type { BenchRoute } from './use-bench-route.ts';

const noInstruments: readonly Instrument[] = [];

/** Solves the job's circuit, without and with the fault that is tried in the open step. */
export function useBenchCircuit({ jobId, inSetups, inTrueValues }: BenchRoute) {
  const job = useBench((state) => state.document);
  const own = job.instruments ?? noInstruments;
  const network = networkMeant(job);
  const sound = useUnloaded(network);
  const tried = useTried(jobId);
  const apply = useTriedFault((state) => state.apply);
  // The part or instrument with the fault may be gone since.
  const isThere = tried?.where.every((about) => [...network.elements, ...own].some(({ id }) => id === about));
  const inFault = isThere && (inSetups || inTrueValues) ? tried : null;
  const bench = useMemo(() => inFault && apply && apply({ network, instruments: own }), [inFault, apply, network, own]);
  const faulty = useUnloaded(bench?.network ?? null);
  const unloaded = faulty ?? sound;
  return {
    job,
    /** The job's network as its version of the format means it. */
    network,
    /** The network on the drawing: with the fault that is tried. */
    drawnNetwork: bench?.network ?? job.network,
    /** The fault that is tried in this step. */
    tried: inFault,
    /** The circuit solved without the fault, and with it. */
    sound,
    unloaded,
    truth: unloaded.ok ? unloaded.value.values : null,
    /** The instruments of the job, and as the fault leaves them. */
    own,
    instruments: bench?.instruments ?? own,
  };
}

export type BenchCircuit = ReturnType<typeof useBenchCircuit>;
