export { makePlan, type PlannedJob } from './make-plan.ts';
export {
  usualJack,
  type BreakStep,
  type CurrentStep,
  type Depth,
  type Plan,
  type PlanStep,
  type ReadStep,
  type ResistanceStep,
  type RestoreStep,
  type SupplyStep,
  type VoltageStep,
} from './plan.ts';
export { restoringChecks } from './restoring.ts';
export { namesOf, placeOf } from './place-words.ts';
export { countRead, readingsAt } from './progress.ts';
export { buildOrder, type BuildStep } from './build-order.ts';
export { stripBoard, type BoardLink, type BoardRow, type StripBoard } from './strip-board.ts';
