import { isOfReading, type Hypothesis } from '../faults/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import type { Reading } from '../readings/index.ts';
import { diagnosisOf, groupsIn, leadingGroups, type DiagnosedHypothesis, type Diagnosis } from './diagnose.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import {
  distinguishingReading,
  indicationsWith,
  nextPredictions,
  nextReading,
  type NextPredictions,
  type NextReading,
} from './next-reading.ts';
import { differenceFrom } from './predictions/comparing.ts';
import { misfitOf, type Prediction } from './predictions/prediction.ts';
import type { Observed } from './predictions/observed.ts';

/** A reading beside the prediction of an explanation, V, A or Ω. */
interface MatrixCell {
  /** Null for a resistance beyond every range. */
  readonly predicted: number | null;
  /** Standard uncertainty that the reading is judged by. */
  readonly u: number;
  /** (value − predicted)/u; infinite if a number was read where none was to be expected. */
  readonly deviation: number;
}

/** An explanation with its deviation from every reading. */
export interface MatrixRow {
  /** Group and place in it, `1a`; `–` for the fault-free circuit. */
  readonly name: string;
  /** Null for the fault-free circuit. */
  readonly hypothesis: DiagnosedHypothesis | null;
  readonly misfit: number;
  /** In the order of the readings. */
  readonly cells: readonly MatrixCell[];
  /** Names of the explanations of its group that no voltage or current distinguishes from it with the job's instruments. */
  readonly inseparable: readonly string[];
}

/** Explanations as rows and readings as columns. */
export interface ExplanationMatrix {
  readonly diagnosis: Diagnosis;
  readonly readings: readonly { readonly reading: Reading; readonly value: number | null }[];
  /** Best first; the fault-free circuit is the last. */
  readonly rows: readonly MatrixRow[];
  readonly next: {
    readonly reading: NextReading;
    readonly predictions: NextPredictions | null;
    /** Names of the explanations that are predicted. */
    readonly of: readonly string[];
  } | null;
}

/** Members of a group that are compared with each other at every place. */
const mostCompared = 6;

/** Returns the deviation of every reading of a job from every explanation, with the reading that separates the leading ones. */
export function explanationMatrix(job: DiagnosedJob): Result<ExplanationMatrix, SolverFault> {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  const grouping = groupsIn(job, unloaded.value);
  const { observed, faultFree, groups } = grouping;
  const diagnosis = diagnosisOf(job, unloaded.value, grouping);
  const listed = groups ?? [];
  const rows = listed.flatMap(({ members }, g): MatrixRow[] => {
    const names = members.map((_, k) => nameOf(g, k, members.length));
    const inseparable = g < leadingGroups ? inseparableIn(job, unloaded.value, members) : [];
    return members.map((member, k) => ({
      name: names[k]!,
      hypothesis: diagnosis.groups[g]!.hypotheses[k]!,
      misfit: misfitOf(member, observed),
      cells: cellsOf(member, observed),
      inseparable: (inseparable[k] ?? []).map((other) => names[other]!),
    }));
  });
  const sound: MatrixRow = {
    name: '–',
    hypothesis: null,
    misfit: misfitOf(faultFree, observed),
    cells: cellsOf(faultFree, observed),
    inseparable: [],
  };
  const leaders = leadersOf(listed);
  const hypotheses = leaders.map(({ hypothesis }) => hypothesis);
  const reading = diagnosis.next ?? nextReading(job, unloaded.value, hypotheses);
  return ok({
    diagnosis,
    readings: observed.map(({ reading: one, value, comparison }) => ({
      reading: one,
      value: comparison === 'over-range' ? null : value,
    })),
    rows: [...rows, sound],
    next: reading && {
      reading,
      predictions: nextPredictions(job, reading, hypotheses),
      of: leaders.map(({ name }) => name),
    },
  });
}

/** An explanation that the next reading is to separate from others. */
interface Leader {
  readonly name: string;
  readonly hypothesis: Hypothesis;
}

/** Returns the best of each leading group, or the first members if there is only one group. */
function leadersOf(groups: NonNullable<ReturnType<typeof groupsIn>['groups']>): Leader[] {
  const [first, ...others] = groups;
  if (!first) return [];
  if (others.length === 0)
    return first.members
      .slice(0, leadingGroups)
      .map(({ hypothesis }, k) => ({ name: nameOf(0, k, first.members.length), hypothesis }));
  return groups
    .slice(0, leadingGroups)
    .map(({ members }, g) => ({ name: nameOf(g, 0, members.length), hypothesis: members[0]!.hypothesis }));
}

const letters = 'abcdefghijklmnopqrstuvwxyz';

const nameOf = (group: number, member: number, members: number): string =>
  members === 1 ? `${group + 1}` : `${group + 1}${letters[member] ?? `-${member + 1}`}`;

const cellsOf = ({ values, u }: Prediction, observed: readonly Observed[]): MatrixCell[] =>
  observed.map((one, k) => {
    const difference = differenceFrom(one, values[k]!);
    return {
      predicted: Number.isFinite(values[k]!) ? values[k]! : null,
      u: u[k]!,
      deviation: difference === 0 ? 0 : difference / u[k]!,
    };
  });

/**
 * Returns, for the first members of a group, the indices of those that no voltage or current distinguishes from it.
 *
 * Two mistakes in readings leave the same circuit: reading again shows which it was, so they are not compared.
 */
function inseparableIn(job: DiagnosedJob, unloaded: Unloaded, members: readonly Prediction[]): number[][] {
  const compared = members.slice(0, mostCompared);
  const circuits = compared.map(({ hypothesis }) => indicationsWith(job, hypothesis));
  const found = compared.map((): number[] => []);
  compared.forEach((one, k) => {
    for (let other = k + 1; other < compared.length; other += 1) {
      const [first, second] = [circuits[k], circuits[other]];
      if (!first || !second) continue;
      if (isOfReading(one.hypothesis) && isOfReading(compared[other]!.hypothesis)) continue;
      if (distinguishingReading(job, unloaded, [first, second]) !== null) continue;
      found[k]!.push(other);
      found[other]!.push(k);
    }
  });
  return found;
}
