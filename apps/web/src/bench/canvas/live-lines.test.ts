import { parseLine } from '@usual-drag/core/network';
import { firstOutput, sweepParametersOf, sweepOutputsOf } from '@usual-drag/core/solver';
import { solveUnloaded } from '@usual-drag/core/loading';
import { currentsThrough, legend, liveLines, shareLines } from './live-lines.ts';

const network = parseLine('E1 24V/1R8: R1 56k + R2 39k || J1 0A || S1 open');
if (!network.ok) throw new Error(network.fault.message);
const unloaded = solveUnloaded(network.value);
if (!unloaded.ok) throw new Error(unloaded.fault.code);

test('beside every part its voltage and current, or what a meter would be off by', () => {
  const current = 24 / 95_001.8;
  expect(liveLines(unloaded.value.values).R1).toBe(
    `${(current * 56_000).toPrecision(3)}\u00a0V · ${(current * 1e6).toPrecision(3)}\u00a0µA`,
  );
  expect(
    shareLines(
      new Map([
        ['R1', 0.426],
        ['R2', 0],
      ]),
    ),
  ).toEqual({ R1: '−42.6\u00a0%', R2: '0\u00a0%' });
});

test('arrows run through a source from its − to its +', () => {
  const currents = currentsThrough(network.value.elements, unloaded.value.values);
  expect(currents.R1).toBeGreaterThan(0);
  expect(currents.E1).toBe(-currents.R1!);
});

test('the legend says how the drawing is to be read', () => {
  expect(legend(false, 'even')).toBe('');
  expect(legend(true, 'even')).toContain('dashed: unloaded');
  expect(legend(true, 'scale')).toContain('height is potential');
});

test('what can be turned is there and not nought; what can be followed is everything', () => {
  expect(sweepParametersOf(network.value).map(({ name }) => name)).toEqual([
    'EMF of E1',
    'inside E1',
    'resistance of R1',
    'resistance of R2',
  ]);
  const results = sweepOutputsOf(network.value);
  expect(results).toHaveLength(5 * 3 + 3);
  expect(firstOutput(network.value, results).name).toBe('V across R2');
});
