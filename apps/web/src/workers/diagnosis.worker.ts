import { explanationsOfJob, fitFreeNames, twoFaultsOfJob } from '@usual-drag/core/job';
import { expose } from 'comlink';

const search = { explain: explanationsOfJob, fit: fitFreeNames, twoFaults: twoFaultsOfJob };

export type DiagnosisSearch = typeof search;

expose(search);
