import type { Instrument } from '../instrument/index.ts';
import { read } from '../test/read-line.ts';
import { notComparableReason } from './not-comparable.ts';
import type { Reading } from './reading.ts';

const network = read('E1 24V/1R8: R1 56k + R2 39k');
const meter: Instrument = {
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 1e7 }] },
    { quantity: 'resistance', ranges: [{ id: '200 kΩ', fullScale: 2e5, testCurrent: 1e-5 }] },
  ],
};
const volts = {
  id: 'M1',
  instrument: 'm',
  quantity: 'dc-voltage',
  range: '10 V',
  black: '0',
  observations: [],
} as const;
const ohms = { id: 'M2', instrument: 'm', quantity: 'resistance', range: '200 kΩ', observations: [] } as const;
const node = network.elements.find(({ id }) => id === 'R1')!.to;

test.each<[Reading, readonly Instrument[], string]>([
  [{ ...volts, red: node }, [], 'its instrument is not in this job'],
  [{ ...volts, red: node, range: '20 V' }, [meter], 'its instrument has no such range'],
  [{ ...volts, red: 'Z' }, [meter], 'its measurement point is not in the network'],
  [{ ...volts, red: node }, [meter], 'nothing determines a value there'],
  [{ ...ohms, element: 'R9' }, [meter], 'the network has no such resistor'],
  [{ ...ohms, element: 'R1' }, [meter], 'nothing determines a value there'],
])('the reason why a reading has no expected value: case %#', (reading, instruments, reason) => {
  expect(notComparableReason(network, instruments, reading)).toBe(reason);
});
