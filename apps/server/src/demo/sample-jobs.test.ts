import { checkJob } from '@usual-drag/contract';
import { parseLine, writeLine, type Element } from '@usual-drag/core/network';
import { measurementPointOf, rangeTable, solveSetup, solveUnloaded } from '@usual-drag/core/loading';
import { sampleJobs } from './sample-jobs.ts';

/** Each sample job as one would type it from memory of its drawing. */
const typed: Readonly<Record<string, string>> = {
  'Float-level divider': '24V/1R8: 56k + (39k || 15k + 27k)',
  'Beacon and sounder panel': 'E1 2.1V/8m 6s: S1 closed + R1 0R22 + (L1 12V 0.3A ^0.55 || L2 12V 120mA ^0.1 polarised)',
  'Sluice-gate strain bridge': '10V/0R4: 350 @B 351.4 || 351.4 @C 350; @B 12k @C',
  'Level loop': 'J1 12.8mA: 18 + 250 + 1419 + 18',
  'Resistor by voltmeter and ammeter': '6V/0R5: link + 680',
};

const electrical = ({
  label: _label,
  tolerance: _t,
  powerRating: _p,
  measuredResistance: _m,
  ...rest
}: Element & Record<string, unknown>): object => {
  const { currentLimit: _c, compliance: _o, ...kept } = rest;
  return kept;
};

test.each(sampleJobs.map((job) => [job.title!, job] as const))('%s can be typed as one line', (title, { network }) => {
  const read = parseLine(typed[title]!);
  if (!read.ok) throw new Error(read.fault.message);
  expect(read.value.elements.map(electrical as (e: Element) => object)).toEqual(
    network.elements.map(electrical as (e: Element) => object),
  );
  const again = parseLine(writeLine(network));
  expect(again.ok && again.value.elements).toEqual(network.elements);
});

test.each(
  sampleJobs.flatMap((job) => (job.setups ?? []).map((setup) => [`${job.title} ${setup.id}`, job, setup] as const)),
)('%s: the range table and the correction agree with what is shown', (_name, job, setup) => {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const instruments = job.instruments ?? [];
  const solved = solveSetup(unloaded.value, instruments, setup);
  if (!solved.ok) throw new Error(solved.fault.code);
  for (const { id, quantity, instrument: used, range } of setup.meters) {
    const { indicated, state } = solved.value.meters[id]!;
    if (indicated === null || state !== 'ok') continue;
    const point = measurementPointOf(unloaded.value, instruments, setup, id);
    if (!point.ok) throw new Error(point.fault.code);
    const instrument = instruments.find((one) => one.id === used)!;
    const option = rangeTable(point.value, quantity, [instrument]).find((one) => one.range.id === range)!;
    expect(Math.abs(option.indicated - indicated)).toBeLessThan(1e-9 * Math.abs(indicated));
    const { factor } = point.value.correctionOn(option.range)!;
    expect(Math.abs(indicated * factor - point.value.truth!)).toBeLessThan(1e-9 * Math.abs(indicated));
  }
});

test.each(sampleJobs.map((job) => [job.title!, job] as const))(
  '%s is a file that the format accepts',
  (_title, job) => {
    const checked = checkJob(JSON.parse(JSON.stringify(job)));
    expect(checked.ok ? [] : checked.fault).toEqual([]);
  },
);
