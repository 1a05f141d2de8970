export { nodeEquations, type NodeEquation, type Term } from './node-equations.ts';
export { rebuild, type Carried, type Rebuilt, type UpLine, type UpStep } from './rebuild.ts';
export { reduceNet, stageNetwork, type Reduction, type Step } from './reduce.ts';
export { resistanceNet, sourcesOf, type Part as NetPart, type ResistanceNet } from './resistance-net.ts';
export { exact, writtenDown, type Rounding } from './rounding.ts';
export type { Rule } from './rules.ts';
export { stepTitle } from './step-words.ts';
export { superpose, type Contribution } from './superposition.ts';
