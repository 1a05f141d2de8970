import { readDesign, readJob, readKit } from '@usual-drag/contract';
import { expose } from 'comlink';

const check = { job: readJob, kit: readKit, design: readDesign };

export type FileCheck = typeof check;

expose(check);
