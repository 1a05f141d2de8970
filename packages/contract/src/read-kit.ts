import { fail, type Result } from '@usual-drag/core/result';
import { duplicates } from '@usual-drag/core/network';
import { kitFaults, type KitInstrument } from '@usual-drag/core/instrument';
import type { Kit } from '@usual-drag/core/job';
import { mostFaults } from './limits.ts';
import { parseJson, shapeCheck, type FileFault } from './shape-faults.ts';

const checkKitShape = shapeCheck<Kit>('kit');

/** Reads the text of a `*.kit.json`: its instruments, ready for the kit, or every fault found. */
export function readKit(text: string): Result<Kit, readonly FileFault[]> {
  const parsed = parseJson(text);
  return parsed.ok ? checkKit(parsed.value) : parsed;
}

/** Checks a parsed kit against the published schema, then its names and values. */
export function checkKit(value: unknown): Result<Kit, readonly FileFault[]> {
  const shaped = checkKitShape(value);
  if (!shaped.ok) return shaped;
  const { instruments } = shaped.value;
  const faults = [
    ...duplicates(instruments.map(({ id }) => id)).map((id) => ({
      message: `Two instruments have the id ${id}.`,
      where: id,
    })),
    ...instruments.flatMap(kitFaults),
  ];
  if (faults.length === 0) return shaped;
  return fail(
    faults
      .slice(0, mostFaults)
      .map(({ message, where }) => ({ code: 'invalid-value', message, where: [where], path: where })),
  );
}

/** The same for one instrument. */
export function checkKitInstrument(value: unknown): Result<KitInstrument, readonly FileFault[]> {
  const checked = checkKit({ format: 'usual-drag/kit', version: 1, instruments: [value] });
  if (checked.ok) return { ok: true, value: checked.value.instruments[0]! };
  return fail(checked.fault.map((fault) => ({ ...fault, path: fault.path.replace(/^instruments\[0\]\.?/, '') })));
}
