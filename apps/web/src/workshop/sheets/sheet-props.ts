import type { WorkedSide, MeterProject } from '@usual-drag/core';

/** What every sheet of the workshop shows: a meter project and its sides, worked out for just that state of it. */
export interface SheetProps {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[];
  /** Edits the meter project as it is by then: what is shown may be a moment older. */
  readonly onEdit: (edit: (now: MeterProject) => MeterProject) => void;
}
