import { usualParts, meterProjectOf, type Design } from '@usual-drag/core/workshop';
import type { Kit } from '@usual-drag/core/job';
import { checkMeterProject, readDesign, readKit } from './index.ts';

const kit: Kit = {
  format: 'usual-drag/kit',
  version: 1,
  instruments: [
    {
      id: 'shop',
      name: 'Workshop multimeter',
      display: 'digital',
      assetTag: 'SL-207',
      calibratedOn: '2026-01-31',
      calibrationMonths: 12,
      leadResistance: 0.04,
      autoRange: { up: 1, down: 0.09 },
      functions: [{ quantity: 'dc-current', ranges: [{ id: '2 A', fullScale: 1.999, resistance: 0, fuse: 3 }] }],
      resistanceRanges: [{ id: '2 kΩ', fullScale: 1999, testCurrent: 5e-4 }],
      retired: true,
    },
  ],
};
const design: Design = {
  format: 'usual-drag/design',
  version: 1,
  title: 'Feed-current panel meter',
  target: 'ammeter',
  movement: { fullScaleCurrent: 1e-4, resistance: 1800, fullScaleVoltage: 0.18 },
  scheme: 'universal',
  ranges: [0.025, 0.25, 2.5],
  parts: { series: 'E96', tolerance: 0.01, powerRating: 0.25, maxParts: 2 },
};

/** The first fault's code and path. */
function fault(read: ReturnType<typeof readKit> | ReturnType<typeof readDesign>): readonly string[] | null {
  return read.ok ? null : [read.fault[0]!.code, read.fault[0]!.path];
}

test('a kit and a design of every key read in as they were written', () => {
  expect(readKit(JSON.stringify(kit))).toEqual({ ok: true, value: kit });
  expect(readDesign(`\uFEFF${JSON.stringify(design)}`)).toEqual({ ok: true, value: design });
  const { parts: _parts, title: _title, ...least } = design;
  expect(readDesign(JSON.stringify(least)).ok).toBe(true);
});

test.each([
  ['not JSON', '{"format":', ['invalid-file', '']],
  ['of another format', JSON.stringify({ ...kit, format: 'usual-drag/job' }), ['invalid-file', 'format']],
  [
    'of a key too many',
    JSON.stringify(kit).replace('assetTag', 'assettag'),
    ['invalid-file', 'instruments[0].assettag'],
  ],
  [
    'without a test current',
    JSON.stringify(kit).replace(',"testCurrent":0.0005', ''),
    ['invalid-file', 'instruments[0].resistanceRanges[0].testCurrent'],
  ],
  [
    'of two ids alike',
    JSON.stringify({ ...kit, instruments: [...kit.instruments, ...kit.instruments] }),
    ['invalid-value', 'shop'],
  ],
  ['of a day that is none', JSON.stringify(kit).replace('2026-01-31', '2026-01-32'), ['invalid-value', 'shop']],
  [
    'of leads below nothing',
    JSON.stringify(kit).replace('0.04', '-0.04'),
    ['invalid-value', 'instruments[0].leadResistance'],
  ],
])('a kit %s is refused with its place', (_what, text, wanted) => {
  expect(fault(readKit(text))).toEqual(wanted);
});

test.each([
  ['without ranges', { ranges: undefined }, ['invalid-file', 'ranges']],
  ['of a scheme that is none', { scheme: 'ladder' }, ['invalid-file', 'scheme']],
  ['of ranges in words', { ranges: ['1 A'] }, ['invalid-file', 'ranges[0]']],
  ['of a movement figure too many', { movement: { coil: 3 } }, ['invalid-file', 'movement.coil']],
  ['of a range below zero', { ranges: [-1] }, ['invalid-value', 'ranges[0]']],
  [
    'of a coil of nothing',
    { movement: { resistance: 0, fullScaleCurrent: 1 } },
    ['invalid-value', 'movement.resistance'],
  ],
  ['of four parts a section', { parts: { ...design.parts, maxParts: 4 } }, ['invalid-value', 'parts.maxParts']],
  ['of a tolerance of everything', { parts: { ...design.parts, tolerance: 1 } }, ['invalid-value', 'parts.tolerance']],
  ['of an unknown series', { parts: { ...design.parts, series: 'E95' } }, ['invalid-file', 'parts.series']],
])('a design %s is refused with its place', (_what, change, wanted) => {
  expect(fault(readDesign(JSON.stringify({ ...design, ...change })))).toEqual(wanted);
});

test('a meter project is checked for its shape only: it is kept while it is being thought about', () => {
  const piece = meterProjectOf('feed', design);
  expect(checkMeterProject(piece)).toEqual({ ok: true, value: piece });
  const unmade = { ...piece, sides: [{ target: 'ammeter', scheme: 'universal', ranges: [-1, 1e-9] }] };
  expect(checkMeterProject(unmade).ok).toBe(true);
});

test.each([
  [
    'of three sides',
    { sides: [1, 2, 3].map(() => ({ target: 'ammeter', scheme: 'individual', ranges: [1] })) },
    'sides',
  ],
  ['without parts', { parts: undefined }, 'parts'],
  ['of a dial without a radius', { dial: { radius: 0, sweep: 90 } }, 'dial.radius'],
  [
    'of a shunt of nothing',
    { movement: { figures: {}, builtIn: { kind: 'shunt', resistance: 0, figuresOf: 'coil', stays: true } } },
    'movement.builtIn.resistance',
  ],
  ['measured by guessing', { measurement: { method: 'guessing' } }, 'measurement.method'],
  [
    'of half a resistor in stock',
    { parts: { ...usualParts, stock: [{ resistance: 10, count: 0.5 }] } },
    'parts.stock[0].count',
  ],
])('a meter project %s is refused with its place', (_what, change, place) => {
  const read = checkMeterProject(JSON.parse(JSON.stringify({ ...meterProjectOf('feed', design), ...change })));
  expect(read.ok ? [] : read.fault.map(({ path }) => path)).toContain(place);
});
