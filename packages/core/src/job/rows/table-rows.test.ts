import { sweep, sweepOutputsOf, sweepParametersOf } from '../../solver/index.ts';
import type { Network } from '../../network/index.ts';
import { rowsFromCalibrations, rowsFromCheckPoints, rowsFromPartsList, rowsFromSweep } from './table-rows.ts';

it('lists a swept supply with every result of the divider, 24 V over 1 kΩ and 3 kΩ', () => {
  const network: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 1000 },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 3000 },
    ],
  };
  const parameter = sweepParametersOf(network).find(({ key }) => key === 'emf')!;
  const results = sweepOutputsOf(network).filter(({ name }) => ['V across R2', 'potential of A'].includes(name));
  const values = [0, 12, 24];
  const table = rowsFromSweep(parameter, values, sweep(network, parameter, values), results);
  expect(table.fields).toEqual(['EMF of E1 / V', 'V across R2 / V', 'potential of A / V']);
  expect(table.data).toEqual([
    [0, 0, 0],
    [12, 9, 12],
    [24, 18, 24],
  ]);
});

it('leaves an empty cell for a result without a value', () => {
  const results = [{ name: 'V across R1', unit: 'V', of: { element: 'R1', what: 'voltage' } }] as const;
  const parameter = { element: 'E1', key: 'emf', unit: 'V', value: 1, name: 'EMF of E1' } as const;
  expect(rowsFromSweep(parameter, [1], [null], results).data).toEqual([[1, '']]);
});

it('lists calibrations, with the id for an instrument without a name', () => {
  const { data } = rowsFromCalibrations([
    { kept: { id: 'loop-meter' }, dueOn: '', words: 'no interval is noted' },
    {
      kept: { id: 'a', name: 'Bench meter', assetTag: 'T-1', calibratedOn: '2026-01-05', calibrationMonths: 12 },
      dueOn: '2027-01-05',
      words: 'due on 2027-01-05',
    },
  ]);
  expect(data[0]).toEqual(['loop-meter', '', '', '', '', '', '', 'no interval is noted']);
  expect(data[1]).toEqual(['Bench meter', 'T-1', '2026-01-05', '', '', 12, '2027-01-05', 'due on 2027-01-05']);
});

it('lists parts with their tolerance in per cent, and check points with their unit', () => {
  const line = {
    section: 'A1',
    what: 'resistor',
    resistance: 0.5,
    count: 2,
    tolerance: 0.01,
    powerRating: 1,
    joined: '',
  } as const;
  expect(rowsFromPartsList([line, { ...line, tolerance: null }]).data.map((row) => row[4])).toEqual(['1\u00a0%', '']);
  const design = { target: 'ammeter' } as never;
  const point = {
    range: 0.05,
    applied: 0.01,
    reading: 0.01,
    deflection: 1 / 3,
    tolerance: 2.34567,
    side: { design },
  } as never;
  expect(rowsFromCheckPoints([point]).data).toEqual([['50\u00a0mA', 0.01, 'A', 0.01, 0.333333333333, 2.346, '']]);
});
