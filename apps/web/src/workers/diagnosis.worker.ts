import { diagnoseJob, fitFreeNames, twoFaultsOfJob } from '@usual-drag/core/job';
import { expose } from 'comlink';

const search = { diagnose: diagnoseJob, fit: fitFreeNames, twoFaults: twoFaultsOfJob };

export type DiagnosisSearch = typeof search;

expose(search);
