import type { ReadingsStatus } from '../job/index.ts';
import { unitOf } from '../instrument/index.ts';
import { formatPercent, formatQuantity } from '../quantity/index.ts';
import type { Verdict } from '../readings/index.ts';
import { idsInWords } from './ids-in-words.ts';
import type { ReportInstrument } from './report-instruments.ts';
import type { ReportReading } from './report-readings.ts';
import type { ReportSum } from './report-sums.ts';

interface Told {
  readonly readings: readonly ReportReading[];
  readonly sums: readonly ReportSum[];
  readonly instruments: readonly ReportInstrument[];
  /** Progress of the plan; null if nothing has been read. */
  readonly status: ReadingsStatus | null;
}

/** Returns the result of the job in a few sentences: readings that agree, the largest loading error, objections. */
export function resultWords({ readings, sums, instruments, status }: Told): string[] {
  const counted = readings.filter(({ compared }) => compared !== null);
  if (counted.length === 0) return ['Nothing has been read.'];
  const struck = readings.length - counted.length;
  const simulated = counted.filter((one) => one.simulated);
  const overdue = instruments.filter(({ calibration }) => calibration === 'overdue');
  return [
    `${readingsWord(counted.length)}${struck > 0 ? `, and ${struck} struck out` : ''}: ${verdictsWords(counted)}.`,
    ...(status ? [`Of the ${status.of} readings of the usual plan ${status.read} have been taken.`] : []),
    ...largestLoading(counted),
    ...(sums.length > 0 ? [`Sums of the readings: ${sumsWords(sums)}.`] : []),
    ...overdue.map(
      ({ name, assetTag, readings: ids }) =>
        `${name}${assetTag === null ? '' : ` (${assetTag})`} was overdue for calibration when ${idsInWords(ids)} ${ids.length === 1 ? 'was' : 'were'} taken.`,
    ),
    ...(simulated.length > 0 ? [`${idsOf(simulated)}: taken from the simulated bench, not from a circuit.`] : []),
  ];
}

const idsOf = (of: readonly ReportReading[]): string => idsInWords(of.map(({ reading }) => reading.id));

/** Words for the readings of a verdict, in the order in which they are listed; those that need attention are named. */
const verdicts: Readonly<Record<Verdict, { readonly one: string; readonly more: string; readonly named: boolean }>> = {
  agrees: { one: 'agrees with the expected value', more: 'agree with the expected value', named: false },
  'within-tolerance': {
    one: "is within the parts' tolerances",
    more: "are within the parts' tolerances",
    named: false,
  },
  'does-not-agree': { one: 'does not agree', more: 'do not agree', named: true },
  'not-comparable': { one: 'cannot be compared', more: 'cannot be compared', named: true },
};

/** `6 agree with the expected value, 1 does not agree (M8)`. */
function verdictsWords(counted: readonly ReportReading[]): string {
  return Object.entries(verdicts)
    .flatMap(([verdict, { one, more, named }]) => {
      const of = counted.filter(({ compared }) => compared!.verdict === verdict);
      if (of.length === 0) return [];
      const count = of.length === counted.length && of.length > 1 ? 'all' : String(of.length);
      return [`${count} ${of.length === 1 ? one : more}${named ? ` (${idsOf(of)})` : ''}`];
    })
    .join(', ');
}

/** `one closes as read, 2 are explained by loading`. */
function sumsWords(sums: readonly ReportSum[]): string {
  const having = (verdict: string) => sums.filter(({ sum }) => sum.verdict === verdict);
  const [closed, explained, open] = [having('closes'), having('explained-by-loading'), having('does-not-close')];
  return [
    ...(closed.length > 0 ? [`${closed.length} ${closed.length === 1 ? 'closes' : 'close'} as read`] : []),
    ...(explained.length > 0
      ? [`${explained.length} ${explained.length === 1 ? 'is' : 'are'} explained by loading`]
      : []),
    ...(open.length > 0
      ? [`${open.length} ${open.length === 1 ? 'does' : 'do'} not close (${open.map(({ terms }) => terms).join('; ')})`]
      : []),
  ].join(', ');
}

const readingsWord = (count: number): string => (count === 1 ? 'One reading' : `${count} readings`);

function largestLoading(counted: readonly ReportReading[]): string[] {
  const loaded = counted.flatMap(({ reading, compared, place }) => {
    const { true: truth, loading, explainedByLoading } = compared!;
    return truth && loading && reading.quantity !== 'resistance'
      ? [{ reading, place, loading, relative: loading / truth, explainedByLoading }]
      : [];
  });
  if (loaded.length === 0) return [];
  const most = loaded.reduce((a, b) => (Math.abs(b.relative) > Math.abs(a.relative) ? b : a));
  const explained = loaded.filter((one) => one.explainedByLoading).map(({ reading }) => reading.id);
  const sentence = `Largest loading error: ${formatPercent(most.relative, { signed: true })} (${formatQuantity(most.loading, unitOf(most.reading.quantity), { digits: 3, signed: true })}) at ${most.reading.id}, ${most.place}.`;
  return explained.length === 0
    ? [sentence]
    : [
        sentence,
        `${idsInWords(explained)} ${explained.length === 1 ? 'differs' : 'differ'} from the true value by more than the uncertainty; the meter's loading accounts for the difference.`,
      ];
}
