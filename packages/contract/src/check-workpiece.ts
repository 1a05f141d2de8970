import type { Result, Workpiece } from '@usual-drag/core';
import schema from '../../../docs/schema/workpiece.schema.json' with { type: 'json' };
import { shapeCheck, type FileFault } from './shape-faults.ts';

const checkShape = shapeCheck<Workpiece>(schema);

/**
 * Checks a workpiece against its published schema. Whether its design can be made is not asked: it is kept while it is being
 * thought about.
 */
export const checkWorkpiece = (value: unknown): Result<Workpiece, readonly FileFault[]> => checkShape(value);
