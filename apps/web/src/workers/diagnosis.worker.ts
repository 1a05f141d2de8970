import {
  type Job,
  explanationsOfJob,
  fitFreeNames,
  partResistances,
  twoFaultsOfJob,
  withoutRepeated,
} from '@usual-drag/core/job';
import { expose } from 'comlink';

const search = {
  explain: explanationsOfJob,
  fit: (jobs: readonly Job[], names: readonly string[]) => fitFreeNames(withoutRepeated(jobs), names),
  twoFaults: twoFaultsOfJob,
  parts: partResistances,
};

export type DiagnosisSearch = typeof search;

expose(search);
