import { builtInKit, type Instrument } from '@usual-drag/core/instrument';
import { newJob } from '@usual-drag/core/job';
import { subjectOf } from './subject.ts';

const kit = builtInKit as readonly Instrument[];

test('without a job of its own it is the float-level divider, with the old meter two fifths low', () => {
  const subject = subjectOf(null, kit)!;
  expect(subject.isOwn).toBe(false);
  expect(subject.voltmeter.reading.relativeError).toBeCloseTo(-14_858.7 / 34_858.7, 3);
  expect(subject.ammeter.meter.id).toBe('A1');
});

test('a job without meters is no subject; one with both kinds is', () => {
  expect(subjectOf(newJob('Bare'), kit)!.isOwn).toBe(false);
  const own = subjectOf(null, kit)!.job;
  expect(subjectOf(own, kit)!.isOwn).toBe(true);
});

test('without kit and job there is nothing to show', () => {
  expect(subjectOf(null, [])).toBeNull();
});
