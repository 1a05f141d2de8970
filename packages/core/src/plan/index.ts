export { makePlan, type PlannedJob } from './make-plan.ts';
export { chainsOf, type Chain } from './chains.ts';
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
