import { parseRebuilt, type Element, type LineFault } from '../../network/index.ts';
import type { Reading } from '../../readings/index.ts';
import { ok, type Result } from '../../result.ts';
import { newJob } from '../edits/job-edits.ts';
import { editRecord } from '../job-record.ts';
import type { Job } from '../job.ts';

/** A part of the new circuit, and its name there. */
export interface ChosenPart {
  readonly id: string;
  readonly role: string;
}

/** A circuit to be built from the parts of a job. */
interface NewCircuit {
  readonly title: string;
  readonly parts: readonly ChosenPart[];
  /** The arrangement by the new names: `E1: R1 || R2 + R3`. */
  readonly line: string;
  /** `2026-11-30`. */
  readonly date: string;
}

/**
 * Returns a job for another circuit that is built from the parts of a job.
 *
 * Each part keeps its value, tolerance, rating and measured value. A resistor with a new name gets its former name as `bodyLabel`
 * if it has none. Instruments, conventions and job details are copied; notes and set-ups are not. Of the readings only those of
 * resistance are copied, because they are about the same bodies; their notes name the circuit in which they were taken.
 *
 * @returns the fault of the line if it cannot be read
 */
export function newCircuit(from: Job, { title, parts, line, date }: NewCircuit): Result<Job, LineFault> {
  const roles = new Map(parts.map(({ id, role }) => [id, role]));
  const network = parseRebuilt(
    line,
    from.network.elements.flatMap((element) => renamed(element, roles.get(element.id))),
  );
  if (!network.ok) return network;
  const used = new Set(network.value.elements.map(({ id }) => id));
  const readings = (from.readings ?? []).flatMap((reading) => copiedReading(reading, roles, used, from.title));
  const { notes: _notes, ...record } = from.record ?? {};
  return ok(
    editRecord(
      {
        ...newJob(title),
        network: { ...network.value, ...(from.network.values && { values: from.network.values }) },
        ...(from.instruments && { instruments: from.instruments }),
        ...(from.conventions && { conventions: from.conventions }),
        ...(readings.length > 0 && { readings }),
      },
      { ...record, date },
    ),
  );
}

function renamed(element: Element, role: string | undefined): Element[] {
  if (role === undefined) return [];
  if (role === element.id || element.kind !== 'resistor') return [{ ...element, id: role }];
  return [{ ...element, id: role, bodyLabel: element.bodyLabel ?? element.id }];
}

/** Start of the sentence that names the circuit of a copied reading. */
const takenIn = 'Taken in “';

function copiedReading(
  reading: Reading,
  roles: ReadonlyMap<string, string>,
  used: ReadonlySet<string>,
  title: string | undefined,
): Reading[] {
  if (reading.quantity !== 'resistance' || reading.struck !== undefined) return [];
  const role = roles.get(reading.element);
  if (role === undefined || !used.has(role)) return [];
  const { alongside: _alongside, ...alone } = reading;
  // A reading that was copied before keeps the name of its first circuit.
  const origin = reading.note?.includes(takenIn) ? null : `${takenIn}${title ?? 'Untitled'}”.`;
  return [{ ...alone, element: role, note: [reading.note, origin].filter(Boolean).join(' ') }];
}

/** Returns names by size: the resistor with the largest measured or nominal value is R1. Other parts keep their names. */
export function rolesBySize(elements: readonly Element[]): ChosenPart[] {
  const size = (id: string): number => {
    const part = elements.find((element) => element.id === id);
    return part?.kind === 'resistor' ? (part.measuredResistance ?? part.resistance) : 0;
  };
  const resistors = elements.filter(({ kind }) => kind === 'resistor').map(({ id }) => id);
  const taken = new Set(elements.filter(({ kind }) => kind !== 'resistor').map(({ id }) => id));
  const free = resistors.map((_, index) => `R${index + 1}`).filter((name) => !taken.has(name));
  const bySize = [...resistors].sort((a, b) => size(b) - size(a));
  const roles = new Map(bySize.map((id, index) => [id, free[index] ?? id]));
  return elements.map(({ id }) => ({ id, role: roles.get(id) ?? id }));
}
