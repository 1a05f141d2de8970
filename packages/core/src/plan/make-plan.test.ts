import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { solveSetup, solveUnloaded, type Meter } from '../loading/index.ts';
import { endsAt, type Network } from '../network/index.ts';
import { expectationOf } from '../readings/index.ts';
import { anyNetwork } from '../test/random-network.ts';
import { makePlan } from './make-plan.ts';
import { countRead } from './progress.ts';
import type { Plan, PlanStep, ReadStep } from './plan.ts';
import { exercised, runs } from '../test/runs.ts';

const range = (id: string, fullScale: number, resistance: number, resolution: number) => ({
  id,
  fullScale,
  resistance,
  resolution,
  accuracyOfReading: 0.005,
  accuracyCounts: 2,
});

const handheld: Instrument = {
  id: 'handheld',
  rates: [
    { id: 'slow', counts: 0 },
    { id: 'fast', counts: 5 },
  ],
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [range('2 V', 1.999, 1e7, 0.001), range('20 V', 19.99, 1e7, 0.01), range('200 V', 199.9, 1e7, 0.1)],
    },
    {
      quantity: 'dc-current',
      ranges: [
        { ...range('2 mA', 0.001999, 100, 1e-6), jack: 'mA', fuse: 0.5 },
        { ...range('200 mA', 0.1999, 1, 1e-4), jack: 'mA', fuse: 0.5 },
        { ...range('10 A', 9.99, 0.02, 0.01), jack: '10 A', fuse: 10 },
      ],
    },
    {
      quantity: 'resistance',
      ranges: [
        { id: '20 kΩ', fullScale: 19_990, testCurrent: 1e-5, resolution: 10, accuracyOfReading: 0.008 },
        { id: '200 kΩ', fullScale: 199_900, testCurrent: 1e-6, resolution: 100, accuracyOfReading: 0.008 },
      ],
    },
  ],
};

const divider: Network = {
  reference: '0',
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8, currentLimit: 0.5 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000, tolerance: 0.01 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
    { id: 'R3', kind: 'resistor', from: 'B', to: 'C', resistance: 15_000 },
    { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 27_000 },
  ],
};

function planOf(
  network: Network,
  ...rest: [Parameters<typeof makePlan>[1]?, Partial<Parameters<typeof makePlan>[0]>?]
): Plan {
  const made = makePlan({ network, instruments: [handheld], ...rest[1] }, rest[0]);
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}

const reads = ({ steps }: Plan): ReadStep[] => steps.filter((step): step is ReadStep => step.do === 'read');

test('every part: resistances with the supply off, the source unloaded, voltages, currents, off', () => {
  const { steps, breaks, jackChanges } = planOf(divider);
  expect(steps.map((step) => step.do)).toEqual([
    ...Array.from({ length: 4 }, () => 'read'),
    'supply',
    ...['break', 'read', 'restore'],
    ...Array.from({ length: 5 }, () => 'read'),
    ...Array.from({ length: 3 }, () => ['break', 'read', 'restore']).flat(),
    'off',
  ]);
  expect([breaks, jackChanges]).toEqual([4, 1]);
  expect(steps.find((step) => step.do === 'supply')).toMatchObject({ set: 24, currentLimit: 0.00048 });
});

test('the limit just above is 1.5 times the current, never above the supply’s own; in full it is that', () => {
  const limitOf = (network: Network, currentLimit: 'just-above' | 'full') =>
    planOf(network, 'least', { conventions: { currentLimit } }).steps.find((step) => step.do === 'supply');
  expect(limitOf(divider, 'full')).toMatchObject({ currentLimit: 0.5 });
  const lamp: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, currentLimit: 0.5 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 30 },
    ],
  };
  expect(limitOf(lamp, 'just-above')).toMatchObject({ currentLimit: 0.5 });
  const { currentLimit: _own, ...source } = lamp.elements[0] as Extract<
    Network['elements'][number],
    { kind: 'source' }
  >;
  const free = { elements: [source, lamp.elements[1]!] };
  expect(limitOf(free, 'just-above')).toMatchObject({ currentLimit: 0.6 });
  expect(limitOf(free, 'full')).toMatchObject({ currentLimit: null });
});

test('a ceiling is never exceeded: the source is set to it, figures and caution follow, its channel is named', () => {
  const held: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, ceiling: 12, channel: '2' },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 1000 },
    ],
  };
  const { steps } = planOf(held, 'least');
  const supply = steps.find((step) => step.do === 'supply');
  expect(supply).toMatchObject({ set: 12, channel: '2' });
  expect(supply?.do === 'supply' && supply.cautions?.join()).toContain('never to be set above 12');
  expect(reads({ steps } as Plan)[0]!.expected).toBeCloseTo(12, 9);
});

test('a momentary switch is told to be held; where the last digits hang on it the slow rate is proposed', () => {
  const pressed: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 1.5 },
      { id: 'S1', kind: 'switch', from: 'A', to: 'B', closed: true, momentary: true },
      { id: 'R1', kind: 'resistor', from: 'B', to: '0', resistance: 1000 },
    ],
  };
  for (const step of reads(planOf(pressed, 'least'))) {
    expect(step.cautions.join()).toContain('Hold S1 while reading');
    expect(step.rate).toBe('slow');
  }
});

test('a current that would blow the sensitive jack’s fuse: the other jack, and the resistor that would do, each with its cost', () => {
  const strong: Network = {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 0.5 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 11.5 },
    ],
  };
  const step = reads(planOf(strong)).find(({ quantity }) => quantity === 'dc-current')!;
  expect([step.range, step.startRange, step.jack]).toEqual(['10 A', '10 A', '10 A']);
  // 12 V behind 12 Ω; 80 % of the 200 mA range needs 75 Ω in all: 62 Ω and the meter's own ohm, 68 Ω of E12.
  expect(step.notes?.join(' ')).toMatch(/500\smA in the mA jack would blow.*±.*68\sΩ.*±/);
});

test('a chain is opened once, nearest the reference, and the plan says so; with checks at both its ends', () => {
  const at = (plan: Plan): string[] =>
    plan.steps.flatMap((step) => (step.do === 'break' ? [`${step.node}:${step.ends.join()}`] : []));
  expect(at(planOf(divider))).toEqual(['A:R1.from', '0:E1.to', '0:R2.to', '0:R4.to']);
  expect(JSON.stringify(planOf(divider))).toContain(
    'carry one current: it reads the same wherever their chain is opened',
  );
  expect(at(planOf(divider, 'checks')).length).toBe(7);
});

test('least: a tree of voltages and the currents that close its loops', () => {
  const plan = planOf(divider, 'least');
  expect(reads(plan).map(({ quantity }) => quantity)).toEqual([
    ...['dc-voltage', 'dc-voltage', 'dc-voltage'],
    ...['dc-current', 'dc-current'],
  ]);
});

test('the range to begin on is the highest of the jack whose fuse holds; or by convention the one that is expected', () => {
  const current = (firstRange: 'highest' | 'expected') =>
    reads(planOf(divider, 'parts', { conventions: { firstRange } })).filter(
      ({ quantity }) => quantity === 'dc-current',
    );
  for (const step of current('highest')) expect([step.range, step.startRange]).toEqual(['2 mA', '10 A']);
  for (const step of current('expected')) expect(step.startRange).toBe('2 mA');
});

test('without an instrument there is nothing to read', () => {
  const plan = planOf(divider, 'parts', { instruments: [] });
  expect(plan.steps.map((step) => step.do)).toEqual(['supply', 'off']);
});

test('figures are for the meter alone, breaks are restored, and what is read can be read: in networks of every kind', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, fc.constantFrom('least', 'parts', 'checks'), (network, depth) => {
      const made = makePlan({ network, instruments: [handheld] }, depth);
      const solved = solveUnloaded(network);
      if (!made.ok || !solved.ok) return;
      const { steps, breaks } = made.value;
      expect(steps.at(-1)!.do).toBe('off');
      expect(steps.filter((step) => step.do === 'break').length).toBe(breaks);
      let open: Extract<PlanStep, { do: 'break' }> | null = null;
      for (const step of steps) {
        if (step.do === 'break') {
          expect(open).toBeNull();
          expect(endsAt(network, step.node)).toEqual(expect.arrayContaining([...step.ends]));
          open = step;
        } else if (step.do === 'restore') {
          expect([step.node, step.ends]).toEqual([open?.node, open?.ends]);
          open = null;
        } else if (step.do === 'read' && step.quantity !== 'resistance') {
          if (step.quantity === 'dc-current') expect([step.node, step.ends]).toEqual([open?.node, open?.ends]);
          if (step.quantity === 'dc-voltage' && open) continue;
          expect(step.expected).toBeGreaterThanOrEqual(0);
          const place =
            step.quantity === 'dc-voltage'
              ? { quantity: step.quantity, red: step.red, black: step.black }
              : { quantity: step.quantity, node: step.node, ends: step.ends, reversed: step.reversed ?? false };
          const meter = { id: 'm', instrument: step.instrument, range: step.range, ...place } as Meter;
          const set = solveSetup(solved.value, [handheld], { id: 's', meters: [meter] });
          if (!set.ok) continue;
          const { indicated, state } = set.value.meters.m!;
          expect(state).toBe('ok');
          expect(Math.abs(indicated! - step.expected)).toBeLessThanOrEqual(1e-9 * Math.abs(step.expected) + 1e-15);
          compared += 1;
        }
      }
      expect(open).toBeNull();
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(200));
});

test('how far it has come: readings at a step’s place count, whichever way round; struck ones do not', () => {
  const plan = planOf(divider);
  const taken = { instrument: 'handheld', range: '20 V', observations: [{ shown: '6.36', unit: 'V' }] };
  const at = (red: string, black: string, more: object = {}) => ({
    id: `${red}${black}`,
    quantity: 'dc-voltage' as const,
    red,
    black,
    ...taken,
    ...more,
  });
  expect(countRead(plan, [])).toEqual({ read: 0, of: 13 });
  expect(countRead(plan, [at('0', 'B'), at('C', '0', { struck: { why: 'slipped' } })]).read).toBe(1);
  // A source read unloaded is another measurement point than its loaded terminals.
  const step = plan.steps.find((one) => one.do === 'read' && one.quantity === 'dc-voltage');
  expect(step).toMatchObject({ red: 'A', black: '0', unloaded: 'E1' });
  expect(countRead(plan, [at('A', '0', { unloaded: 'E1' })]).read).toBe(1);
  const solved = solveUnloaded(divider);
  const emf = divider.elements.flatMap((one) => (one.kind === 'source' ? [one.emf] : []))[0]!;
  expect(solved.ok && expectationOf(solved.value, [handheld], at('A', '0', { unloaded: 'E1' })).true).toBe(emf);
});
