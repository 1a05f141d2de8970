export { makePlan } from './make-plan.ts';
export { type Depth, type Plan, type PlanStep, type ReadStep } from './plan.ts';
export { restoringChecks } from './restoring.ts';
export { namesOf, placeOf } from './place-words.ts';
export { matchRows, type MatchedRow, type UnmatchedRow } from './match-rows.ts';
export { countRead, readingsAt } from './progress.ts';
export { buildOrder } from './build-order.ts';
