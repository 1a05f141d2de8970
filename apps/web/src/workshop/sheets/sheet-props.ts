import type { WorkedSide, MeterProject } from '@usual-drag/core/workshop';

/** Input of every sheet of the workshop: a meter project and its sides, designed for exactly this state of the project. */
export interface SheetProps {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[];
  /** Edits the meter project as it is by then: what is shown may be a moment older. */
  readonly onEdit: (edit: (now: MeterProject) => MeterProject) => void;
}
