import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import { floatLevelDivider } from '@usual-drag/core/job';
import { SimulatedMultimeter } from './simulated-multimeter.ts';

const divider = floatLevelDivider(builtInKit.map(instrumentForJob));
const multimeter = (seed = 1): SimulatedMultimeter => new SimulatedMultimeter(divider, seed);
const place = (at: object): string => `SIM:PLAC ${JSON.stringify(at)}`;

test.each(['*IDN?', '*idn?'])('%s', (line) =>
  expect(multimeter().answer(line)).toBe('Usual Drag,Simulated multimeter,SIM-1,1.0'),
);

test.each([
  'CONF:VOLT:DC',
  'conf:volt:dc',
  'CONFigure:VOLTage:DC 12',
  'CONFIGURE:VOLT',
  ':CONF:VOLT:DC DEF,DEF',
  'Conf:Voltage:Dc AUTO',
])('%s, then READ?, reads what is at the leads', (line) => {
  const meter = multimeter();
  expect(meter.answer(line)).toBeNull();
  // Within the tolerances of the parts of the 6.36 V of the divider.
  const value = Number(meter.answer('READ?'));
  expect(value).toBeGreaterThan(6.1);
  expect(value).toBeLessThan(6.7);
  expect(meter.answer('SYSTem:ERRor?')).toBe('+0,"No error"');
});

test('MEAS? in one, several commands on a line, and what is not known goes into the error queue', () => {
  expect(Number(multimeter().answer('MEAS:VOLT:DC?'))).toBeGreaterThan(6);
  expect(multimeter().answer('CONF:VOLT:DC;READ?;SYST:ERR?')).toMatch(/^\+6\.\d+E\+00;\+0,"No error"$/);
  const meter = multimeter();
  expect(meter.answer('MAKE:TEA')).toBeNull();
  expect(meter.answer('CONF:VOLT:DC 5000')).toBeNull();
  expect(meter.answer('syst:err?')).toBe('-113,"Undefined header"');
  expect(meter.answer('SYST:ERR:NEXT?')).toMatch(/^-222/);
  expect(meter.answer('SYST:ERR?')).toBe('+0,"No error"');
});

test('the leads are put in series and across a part; a range too small is over range', () => {
  const meter = multimeter();
  meter.answer(place({ quantity: 'dc-current', node: 'A', ends: ['R1.from'] }));
  const current = Number(meter.answer('MEAS:CURR:DC?'));
  expect(current).toBeGreaterThan(3e-4);
  expect(current).toBeLessThan(3.3e-4);
  meter.answer(place({ quantity: 'resistance', element: 'R1' }));
  expect(Math.abs(Number(meter.answer('MEAS:RES?')) / 56_210 - 1)).toBeLessThan(0.011);
  meter.answer(place({ quantity: 'dc-voltage', red: 'B', black: '0' }));
  expect(meter.answer('CONF:VOLT:DC 1;READ?')).toBe('9.90000000E+37');
  // Ohms where the leads are put for volts: no number, and an error.
  expect(meter.answer('MEAS:RES?')).toBe('9.91000000E+37');
  expect(meter.answer('SYST:ERR?')).toMatch(/^-221/);
});

test('the same seed reads the same, another another; another network is another bench', () => {
  expect(multimeter().answer('READ?')).toBe(multimeter().answer('READ?'));
  expect(multimeter(2).answer('READ?')).not.toBe(multimeter().answer('READ?'));
  const meter = multimeter();
  meter.answer(
    `SIM:NETW ${JSON.stringify({
      elements: [
        { id: 'E1', kind: 'source', from: 'B', to: '0', emf: 5 },
        { id: 'R1', kind: 'resistor', from: 'B', to: '0', resistance: 1000 },
      ],
    })}`,
  );
  expect(Number(meter.answer('READ?'))).toBeCloseTo(5, 2);
  meter.answer('SIM:NETW {');
  expect(meter.answer('SYST:ERR?')).toMatch(/^-150/);
});
