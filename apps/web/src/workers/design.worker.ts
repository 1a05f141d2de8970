import { solveDesign, type Design } from '@usual-drag/core';
import { expose } from 'comlink';

const work = (design: Design): ReturnType<typeof solveDesign> => solveDesign(design);

export type Work = typeof work;

expose(work);
