import { chainsOf, type Resistor } from '../../network/index.ts';
import type { ComparedReading, Reading } from '../../readings/index.ts';
import { compareJob } from '../job-questions.ts';
import type { Job } from '../job.ts';
import { readingOrigin } from '../merge-jobs.ts';

/** Resistance of a part from the readings of one circuit. Ω. */
export interface ResistanceEvidence {
  /** Index of the circuit, from 0. */
  readonly circuit: number;
  readonly by: 'ohmmeter' | 'voltage-and-current';
  /** Ids of the readings in that circuit. */
  readonly readings: readonly string[];
  readonly value: number;
  /** U, k = 2. */
  readonly uncertainty: number;
}

/** Resistances of one part from all circuits of an order. Ω. */
export interface PartResistances {
  /** The label on its body, which is its name in the first circuit. */
  readonly part: string;
  /** As marked. */
  readonly nominal: number;
  readonly evidence: readonly ResistanceEvidence[];
  /** Mean weighted by 1/U², and its U for fully correlated errors; null without evidence. */
  readonly mean: { readonly value: number; readonly uncertainty: number } | null;
  /** Whether every two values differ by at most √(U₁² + U₂²); null for fewer than two. */
  readonly areConsistent: boolean | null;
}

/**
 * Returns the resistance of each resistor from every circuit of an order: by ohmmeter, and as V/I from a voltage reading across
 * the part and a current reading through it or through a part of the same chain, both corrected for the loading of their meters. The relative U of V/I is
 * √((U(V)/V)² + (U(I)/I)²), with the errors of V and I independent. A reading copied from an earlier circuit counts once. Of
 * several readings at one place the newest counts.
 *
 * @param circuits  in their sequence; one that cannot be solved gives no values
 */
export function partResistances(circuits: readonly Job[]): PartResistances[] {
  const parts = new Map<string, { nominal: number; evidence: ResistanceEvidence[] }>();
  const counted = new Set<string>();
  for (const [circuit, job] of circuits.entries()) {
    const compared = compareJob(job);
    const readings = (job.readings ?? []).filter(({ struck }) => struck === undefined);
    const chains = chainsOf(job.network).map(({ parts }) => parts.map(({ id }) => id));
    for (const element of job.network.elements) {
      if (element.kind !== 'resistor') continue;
      const body = element.bodyLabel ?? element.id;
      const part = parts.get(body) ?? { nominal: element.resistance, evidence: [] };
      parts.set(body, part);
      if (!compared.ok) continue;
      const chain = chains.find((ids) => ids.includes(element.id)) ?? [element.id];
      const found = evidenceOf(element, chain, readings, compared.value.readings, counted);
      part.evidence.push(...found.map((one) => ({ circuit, ...one })));
    }
  }
  return [...parts].map(([part, { nominal, evidence }]) => ({
    part,
    nominal,
    evidence,
    mean: weightedMean(evidence),
    areConsistent: evidence.length < 2 ? null : agree(evidence),
  }));
}

type Evidence = Omit<ResistanceEvidence, 'circuit'>;

function evidenceOf(
  { id, from, to }: Resistor,
  /** Ids of the elements that carry the same current. */
  chain: readonly string[],
  readings: readonly Reading[],
  compared: Readonly<Record<string, ComparedReading>>,
  counted: Set<string>,
): Evidence[] {
  const found: Evidence[] = [];
  const measured = readings.findLast((one) => one.quantity === 'resistance' && one.element === id);
  const ohms = measured && figureOf(compared[measured.id]);
  if (measured && ohms && !counted.has(readingOrigin(measured))) {
    counted.add(readingOrigin(measured));
    found.push({ by: 'ohmmeter', readings: [measured.id], ...ohms });
  }
  const across = readings.findLast(
    (one) =>
      one.quantity === 'dc-voltage' &&
      [one.red, one.black].sort().join(' ') === [from, to].sort().join(' ') &&
      !one.unloaded,
  );
  const through = (of: readonly string[]): Reading | undefined =>
    readings.findLast(
      (one) =>
        one.quantity === 'dc-current' && one.ends.length === 1 && of.includes(one.ends[0]!.replace(/\.(from|to)$/, '')),
    );
  const current = through([id]) ?? through(chain);
  const [volts, amps] = [across && figureOf(compared[across.id]), current && figureOf(compared[current.id])];
  if (across && current && volts && amps && amps.value !== 0 && volts.value !== 0) {
    const value = Math.abs(volts.value / amps.value);
    const relative = Math.hypot(volts.uncertainty / volts.value, amps.uncertainty / amps.value);
    found.push({
      by: 'voltage-and-current',
      readings: [across.id, current.id],
      value,
      uncertainty: value * relative,
    });
  }
  return found;
}

/** Returns the corrected value of a reading and its U; a resistance reading has no loading to correct. */
function figureOf(
  reading: ComparedReading | undefined,
): { readonly value: number; readonly uncertainty: number } | null {
  if (!reading) return null;
  const value = reading.corrected ?? reading.value;
  const uncertainty = reading.correctedUncertainty ?? reading.uncertainty;
  return value === null || uncertainty === null || uncertainty === 0 ? null : { value, uncertainty };
}

/**
 * Mean weighted by w = 1/U². The same meter reads every circuit, so its errors do not average out: U = Σ wU / Σ w, as for fully
 * correlated values (GUM, 5.2.2, note 1).
 */
function weightedMean(evidence: readonly ResistanceEvidence[]): PartResistances['mean'] {
  if (evidence.length === 0) return null;
  const weights = evidence.map(({ uncertainty }) => 1 / uncertainty ** 2);
  const all = weights.reduce((sum, one) => sum + one, 0);
  const value = evidence.reduce((sum, one, k) => sum + one.value * weights[k]!, 0) / all;
  const uncertainty = evidence.reduce((sum, one, k) => sum + one.uncertainty * weights[k]!, 0) / all;
  return { value, uncertainty };
}

const agree = (evidence: readonly ResistanceEvidence[]): boolean =>
  evidence.every((a) => evidence.every((b) => Math.abs(a.value - b.value) <= Math.hypot(a.uncertainty, b.uncertainty)));
