import type { WorkedSide, Workpiece } from '@usual-drag/core';

/** What every sheet of the workshop shows: a workpiece and its sides, worked out for just that state of it. */
export interface SheetProps {
  readonly piece: Workpiece;
  readonly sides: readonly WorkedSide[];
  /** Edits the workpiece as it is by then: what is shown may be a moment older. */
  readonly onEdit: (edit: (now: Workpiece) => Workpiece) => void;
}
