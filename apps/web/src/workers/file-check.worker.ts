import { readDesign, readJob, readKit, readWorksheet } from '@usual-drag/contract';
import { expose } from 'comlink';

const check = { job: readJob, kit: readKit, design: readDesign, worksheet: readWorksheet };

export type FileCheck = typeof check;

expose(check);
