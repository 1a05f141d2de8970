import type { Result } from '@usual-drag/core/result';
import type { MeterProject } from '@usual-drag/core/workshop';
import { shapeCheck, type FileFault } from './shape-faults.ts';

const checkShape = shapeCheck<MeterProject>('meterProject');

/**
 * Checks a meter project against its published schema. Whether its design can be made is not asked: it is kept while it is being
 * thought about.
 */
export const checkMeterProject = (value: unknown): Result<MeterProject, readonly FileFault[]> => checkShape(value);
