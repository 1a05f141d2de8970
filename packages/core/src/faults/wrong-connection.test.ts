import type { Instrument } from '../instrument/index.ts';
import { read } from '../test/read-line.ts';
import type { AmmeterPlacement, Meter } from '../loading/index.ts';
import { wrongConnectionsOf, type WrongConnection } from './connect-wrongly.ts';
import { solveWrongConnection } from './wrong-connection.ts';
import { solveSetup, solveUnloaded, startingJack, supplyDisplays } from '../loading/index.ts';

const needle: Instrument = {
  id: 'n',
  display: 'analogue',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 20_000 }] },
    {
      quantity: 'dc-current',
      ranges: [
        { id: '100 mA', fullScale: 0.1, resistance: 5, jack: 'mA', fuse: 0.5 },
        { id: '10 A', fullScale: 10, resistance: 0.025, jack: '10 A' },
      ],
    },
  ],
};
const digits: Instrument = { ...needle, id: 'd', display: 'digital' };

// 12 V behind 1 Ω, 199 Ω above 100 Ω.
const network = read('E1 12V/1: R1 199 + R2 100');
const b = network.elements.find(({ id }) => id === 'R2')!.from;
const volts = (instrument: string): Meter => ({
  id: 'V1',
  instrument,
  quantity: 'dc-voltage',
  range: '10 V',
  red: b,
  black: '0',
});
const amps = (instrument: string, range = '100 mA'): AmmeterPlacement => ({
  id: 'A1',
  instrument,
  quantity: 'dc-current',
  range,
  node: b,
  ends: ['R2.from'],
});

function outcome(meters: readonly Meter[], mistake: WrongConnection) {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error('unsolved');
  const setup = { id: 'S', meters };
  const right = solveSetup(unloaded.value, [needle, digits], setup);
  if (!right.ok) throw new Error('unsolved');
  const found = solveWrongConnection(unloaded.value, [needle, digits], setup, right.value, meters[0]!.id, mistake);
  if (!found.ok) throw new Error(found.fault.code);
  return found.value;
}

test('both leads on one point show 0 and leave the circuit as it is', () => {
  const { values, setup, caution } = outcome([volts('d')], 'one-point');
  expect(values.meters.V1).toMatchObject({ indicated: 0, true: 4, error: -4, relativeError: -1, state: 'ok' });
  expect(values.elements.R2!.voltage).toBeCloseTo(4, 12);
  expect(setup.meters[0]).toMatchObject({ red: b, black: b });
  expect(caution.message).toContain('one point');
  expect(outcome([amps('d')], 'one-point').values.elements.R2!.current).toBeCloseTo(0.04, 12);
});

test('a hanging lead of a voltmeter says nothing; of an ammeter it leaves the circuit open', () => {
  const floating = outcome([volts('d')], 'hanging');
  expect(floating.values.meters.V1).toMatchObject({ indicated: null, state: 'floating' });
  expect(floating.caution.message).toContain('no proof that the circuit is dead');
  const open = outcome([amps('d'), volts('d')], 'hanging');
  expect(open.values.meters.A1).toMatchObject({ indicated: 0, relativeError: -1 });
  // 12 V by 200 Ω into nothing but the voltmeter's 20 kΩ.
  expect(open.values.meters.V1!.indicated).toBeCloseTo((12 * 20_000) / 20_200, 10);
  expect(open.values.meters.V1!.true).toBeCloseTo(4, 12);
});

test('an ammeter across its part takes the current, and shows it where its fuse holds', () => {
  const { values, surge, caution, setup } = outcome([amps('d')], 'across');
  const beside = (5 * 100) / 105;
  const wanted = (12 * beside) / (200 + beside) / 5;
  expect(surge).toBeCloseTo(wanted, 12);
  expect(values.meters.A1!.indicated).toBeCloseTo(wanted, 12);
  expect(values.elements.R2!.voltage).toBeCloseTo(wanted * 5, 12);
  expect(caution).toMatchObject({ kind: 'hazard', about: 'A1' });
  expect(caution.message).toContain('its fuse of 500\u00a0mA holds');
  expect(setup.meters[0]).toMatchObject({ id: 'A1', quantity: 'dc-voltage', red: b, black: '0' });
});

test('across the supply its fuse blows, and the circuit is whole again', () => {
  const across: Meter = { ...amps('d'), node: 'A', ends: ['E1.from'] };
  const { values, surge, caution } = outcome([across], 'across');
  // 12 V / 1 Ω into 5 Ω beside 299 Ω.
  const beside = (5 * 299) / 304;
  expect(surge).toBeCloseTo((12 * beside) / (1 + beside) / 5, 12);
  expect(values.meters.A1).toMatchObject({ indicated: 0, state: 'fuse-blown' });
  expect(values.elements.R2!.voltage).toBeCloseTo(4, 12);
  expect(caution.message).toContain('blows');
  const unfused: Meter = { ...amps('d', '10 A'), node: 'A', ends: ['E1.from'] };
  expect(outcome([unfused], 'across').caution.message).toContain('this jack has no fuse');
});

test('volts with the lead in the current jack: a near short, and 0 on the display', () => {
  const { values, surge } = outcome([volts('d')], 'current-jack');
  const beside = (5 * 100) / 105;
  expect(surge).toBeCloseTo((12 * beside) / (200 + beside) / 5, 12);
  expect(values.meters.V1).toMatchObject({ indicated: 0, state: 'ok' });
  expect(values.elements.R2!.voltage).toBeCloseTo((12 * beside) / (200 + beside), 12);
});

test('a fuse that had blown before opens the branch; swapped leads drive a needle backwards, digits show the sign', () => {
  const blown = outcome([amps('n')], 'blown-fuse');
  expect(blown.values.meters.A1).toMatchObject({ indicated: 0, state: 'fuse-blown' });
  expect(blown.values.elements.R1!.current).toBe(0);
  expect(outcome([volts('n')], 'leads-swapped').values.meters.V1!.state).toBe('reversed');
  const shown = outcome([volts('d')], 'leads-swapped').values.meters.V1!;
  expect(shown.state).toBe('ok');
  expect(shown.display).toMatch(/^−3\.9/);
});

test('a meter is open to the wrong connections that it can make', () => {
  expect(wrongConnectionsOf(volts('n'), needle)).toEqual(['one-point', 'hanging', 'leads-swapped', 'current-jack']);
  expect(wrongConnectionsOf(volts('n'), { id: 'v', functions: [needle.functions![0]!] })).not.toContain('current-jack');
  expect(wrongConnectionsOf(amps('n'), needle)).toEqual([
    'one-point',
    'hanging',
    'across',
    'leads-swapped',
    'blown-fuse',
  ]);
  expect(wrongConnectionsOf(amps('n', '10 A'), needle)).not.toContain('blown-fuse');
});

test('begin in a jack whose fuse holds what can flow, and step down as far as the indication allows', () => {
  const small = startingJack(needle, 0.04)!;
  expect([small.begin.id, small.stepDownTo, small.safe]).toEqual(['100 mA', null, true]);
  const large = startingJack(needle, 3)!;
  expect([large.begin.id, large.stepDownTo, large.safe]).toEqual(['10 A', null, true]);
  const fused: Instrument = {
    id: 'f',
    functions: [
      {
        quantity: 'dc-current',
        ranges: [
          { id: '10 A', fullScale: 10, resistance: 0.01, fuse: 10 },
          { id: '200 mA', fullScale: 0.2, resistance: 1, fuse: 0.25 },
          { id: '20 mA', fullScale: 0.02, resistance: 10, fuse: 0.25 },
        ],
      },
    ],
  };
  const down = startingJack(fused, 0.0128)!;
  expect([down.begin.id, down.stepDownTo?.id]).toEqual(['10 A', '20 mA']);
  expect(startingJack(fused, 40)!.safe).toBe(false);
  expect(startingJack({ id: 'v' }, 1)).toBeNull();
});

test('a bench supply shows its posts to a tenth of a volt, and its limit where it has run into it', () => {
  const limited = read('E1 12V/1 <0.5A: R1 199 + R2 100');
  const values = solveUnloaded(limited);
  if (!values.ok) throw new Error('unsolved');
  expect(supplyDisplays(limited, values.value.values)).toEqual([
    {
      id: 'E1',
      voltage: expect.closeTo(11.96, 10),
      current: expect.closeTo(0.04, 12),
      limited: false,
      volts: '12.0',
      amps: '0.04',
    },
  ]);
  const short = { elements: limited.elements.map((e) => (e.kind === 'resistor' ? { ...e, resistance: 1 } : e)) };
  const over = solveUnloaded(short);
  if (!over.ok) throw new Error('unsolved');
  expect(supplyDisplays(short, over.value.values)[0]).toMatchObject({ limited: true, amps: '0.50' });
  expect(supplyDisplays(network, values.value.values)).toEqual([]);
});
