export { nodeEquations } from './node-equations.ts';
export { rebuild, type Rebuilt, type UpLine } from './rebuild.ts';
export { reduceNet, stageNetwork, type Reduction, type Step } from './reduce.ts';
export { resistanceNet, sourcesOf } from './resistance-net.ts';
export { type Rounding } from './rounding.ts';
export { stepTitle } from './step-words.ts';
export { superpose } from './superposition.ts';
