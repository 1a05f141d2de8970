import { meterProjectOf, type MeterProject } from '@usual-drag/core/workshop';

/** Old panel meters of the lift station that are given new ranges. */
export const sampleMeterProjects: readonly MeterProject[] = [
  meterProjectOf('feed-current', {
    format: 'usual-drag/design',
    version: 1,
    title: 'Feed-current panel meter',
    target: 'ammeter',
    movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
    scheme: 'universal',
    ranges: [0.025, 0.25, 2.5],
  }),
  meterProjectOf('level-loop', {
    format: 'usual-drag/design',
    version: 1,
    title: 'Level-loop test voltmeter',
    target: 'voltmeter',
    movement: { fullScaleCurrent: 5e-5, resistance: 2000 },
    scheme: 'string',
    ranges: [2.5, 10, 50],
  }),
];
