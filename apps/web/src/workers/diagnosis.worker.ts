import { diagnoseJob, fitFreeNames } from '@usual-drag/core';
import { expose } from 'comlink';

const search = { diagnose: diagnoseJob, fit: fitFreeNames };

export type DiagnosisSearch = typeof search;

expose(search);
