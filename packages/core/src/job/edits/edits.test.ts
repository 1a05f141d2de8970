import { closeOver, insertInSeries, joinNodes, newElement, renameNode, splitNode } from '../../network/index.ts';
import { changeNetwork } from './change-network.ts';
import type { Setup } from '../../loading/index.ts';
import { newJob, setupName } from './job-edits.ts';
import type { Job } from '../job.ts';
import { partsFromRows } from '../rows/parts-rows.ts';
import { jobFaults } from '../solve-job.ts';
import { read } from '../../test/read-line.ts';

const job: Job = {
  ...newJob('Divider'),
  network: read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)'),
  instruments: [
    {
      id: 'm',
      functions: [
        { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 20_000 }] },
        { quantity: 'dc-current', ranges: [{ id: '1 mA', fullScale: 1e-3, resistance: 500 }] },
      ],
    },
  ],
  setups: [
    {
      id: 'S-1',
      meters: [
        { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' },
        { id: 'A1', instrument: 'm', quantity: 'dc-current', range: '1 mA', node: 'B', ends: ['R1.to'] },
      ],
    },
  ],
};

test('leads and breaks follow what they stood with', () => {
  const [volts, amps] = changeNetwork(job, renameNode(job.network, 'B', 'mid')).setups![0]!.meters;
  expect(volts).toMatchObject({ red: 'mid', black: '0' });
  expect(amps).toMatchObject({ node: 'mid', ends: ['R1.to'] });

  const joined = changeNetwork(job, joinNodes(job.network, 'C', 'B'));
  expect(joined.setups![0]!.meters[0]).toMatchObject({ red: 'C' });
  expect(jobFaults(joined)).toEqual([]);

  const longer = changeNetwork(job, insertInSeries(job.network, 'R1', newElement(job.network, 'resistor')));
  expect(longer.setups![0]!.meters[1]).toMatchObject({ node: 'D', ends: ['R1.to'] });
  expect(jobFaults(longer)).toEqual([]);

  const split = changeNetwork(job, splitNode(job.network, 'B', ['R1.to'], 'X'));
  expect(split.setups![0]!.meters).toMatchObject([{ red: 'B' }, { node: 'X' }]);
});

test('what cannot follow is kept as it is, and named', () => {
  const without = changeNetwork(job, closeOver(job.network, 'R1'));
  expect(without.setups![0]!.meters[1]).toMatchObject({ ends: ['R1.to'] });
  expect(jobFaults(without).map((fault) => fault.code)).toContain('unknown-node');
  expect(changeNetwork(job, job.network)).toBe(job);
});

test('what an edit leaves alone is the very object it was, the whole job where nothing has changed', () => {
  const line = (r1: string) => read(`E1 24V/1R8: R1 ${r1} + (R2 39k || R3 15k + R4 27k)`);
  expect(changeNetwork(job, line('56k'))).toBe(job);

  const edited = changeNetwork(job, line('47k'));
  const changed = edited.network.elements.filter((element, index) => element !== job.network.elements[index]);
  expect(changed).toEqual([{ id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 47_000 }]);
  expect(edited.setups![0]).toBe(job.setups![0]);

  const referred = changeNetwork(job, { ...job.network, reference: 'B' });
  expect(referred.network.elements).toBe(job.network.elements);
  expect(referred.network.reference).toBe('B');
});

test('parts from a spreadsheet, in the customary order', () => {
  const { elements, faults } = partsFromRows(
    [
      ['R5', 'A', 'C', '4k7', '1'],
      ['Beacon', 'C', '0', '12V 0.3A', ''],
      ['', 'A', 'B', '100 Ω', '5 %', '0.25', '99.2'],
      ['', '', '', ''],
    ],
    job.network,
  );
  expect(faults).toEqual([]);
  expect(elements).toEqual([
    { id: 'R5', kind: 'resistor', from: 'A', to: 'C', resistance: 4700, tolerance: 0.01 },
    { id: 'Beacon', kind: 'load', from: 'C', to: '0', ratedVoltage: 12, ratedCurrent: 0.3 },
    {
      id: 'R6',
      kind: 'resistor',
      from: 'A',
      to: 'B',
      resistance: 100,
      tolerance: 0.05,
      powerRating: 0.25,
      measuredResistance: 99.2,
    },
  ]);
});

test.each([
  ['ratios, as all of them are below 0.2', 'Tolerance', ['0.05', '0.1', '0.01'], [0.05, 0.1, 0.01], 'ratio'],
  ['per cent, as one is not', 'Tolerance', ['0.05', '5', '0.1'], [0.0005, 0.05, 0.001], 'percent'],
  ['per cent, as the heading has the sign', 'Tol. / %', ['0.1', '0.05', '0.1'], [0.001, 0.0005, 0.001], 'percent'],
  ['as their own signs have it', 'Tolerance', ['0.1 %', '5%', '0.05'], [0.001, 0.05, 0.05], 'ratio'],
])('tolerances are read by their column: %s', (_name, heading, cells, tolerances, unit) => {
  const read = partsFromRows(
    [['Name', 'From', 'To', 'Value', heading], ...cells.map((cell, k) => [`R${k + 70}`, 'A', 'B', '1k', cell])],
    job.network,
  );
  expect(read.faults).toEqual([]);
  expect(read.toleranceUnit).toBe(unit);
  expect(read.rows).toEqual([2, 3, 4]);
  expect(read.elements.map((one) => (one.kind === 'resistor' ? one.tolerance : null))).toEqual(tolerances);
});

test('headings say what a column is', () => {
  const { elements } = partsFromRows(
    [
      ['From', 'To', 'Value', 'Part', 'Tol.'],
      ['A', 'B', '4k7', 'R9', '5 %'],
    ],
    job.network,
  );
  expect(elements).toEqual([{ id: 'R9', kind: 'resistor', from: 'A', to: 'B', resistance: 4700, tolerance: 0.05 }]);
});

test('a row that cannot be taken says why, the others stand', () => {
  const { elements, faults } = partsFromRows(
    [
      ['R1', 'A', 'B', '1k'],
      ['R7', 'A', 'B', 'many'],
      ['R8', 'A', '', '1k'],
      ['R9', 'A', 'B', '1k'],
    ],
    job.network,
  );
  expect(elements.map(({ id }) => id)).toEqual(['R9']);
  expect(faults.map(({ row }) => row)).toEqual([1, 2, 3]);
  expect(faults[0]!.message).toBe('R1 already exists.');
});

test('a set-up is named with letters, digits, hyphens and underscores; spaces become hyphens, and no name is there twice', () => {
  const others: readonly Setup[] = [{ id: 'S-1', meters: [] }];
  expect(setupName(' old  meter on 10V ', others)).toEqual({ ok: true, value: 'old-meter-on-10V' });
  expect(setupName('S-1', others)).toMatchObject({ fault: { message: 'There is a set-up S-1 already.' } });
  expect(setupName('', others)).toMatchObject({ ok: false });
  expect(setupName('a/b', others)).toMatchObject({ ok: false });
});

test('pasted values may have ohms written as Ohm; one that cannot be read is named with its column and examples', () => {
  const rows = (value: string, tolerance = '5%') =>
    partsFromRows([['R5', 'B', 'C', value, tolerance]], { elements: [] });
  expect(rows('22 kOhm').elements).toMatchObject([{ resistance: 22_000 }]);
  expect(rows('22 kohm').elements).toEqual(rows('22 kOhms').elements);
  expect(rows('22 KOHM').faults).toMatchObject([
    { row: 1, message: expect.stringMatching(/^The value “22 KOHM” cannot be read\. Type it as 4k7, 22 kΩ/) as string },
  ]);
  expect(rows('22k', 'five').faults).toMatchObject([
    { message: expect.stringMatching(/^The tolerance “five” cannot be read\. Type it as 5 % or 0\.05/) as string },
  ]);
});
