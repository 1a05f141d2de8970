import { builtInKit, instrumentForJob } from '../../instrument/index.ts';
import { placeOf } from '../../plan/index.ts';
import { read } from '../../test/read-line.ts';
import { newJob } from '../edits/job-edits.ts';
import type { Job } from '../job.ts';
import { newCircuit } from '../new-circuit/new-circuit.ts';
import { planOrder, type OrderPlan } from './order-plan.ts';

const first: Job = {
  ...newJob('In series'),
  version: 2,
  network: read('E1 9V/500m: R1 470 + R2 680 + R3 1000'),
  instruments: builtInKit.map(instrumentForJob),
};
const same = first.network.elements.map(({ id }) => ({ id, role: id }));

function next(from: Job, line: string, parts = same): Job {
  const made = newCircuit(from, { title: line, parts, line, date: '2026-11-30' });
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

function planned(circuits: readonly Job[]): OrderPlan {
  const plan = planOrder(circuits);
  if (!plan.ok) throw new Error(plan.fault.message);
  return plan.value;
}

const suppliesOf = (circuits: OrderPlan['circuits']): number[] =>
  circuits.map(({ steps }) => steps.filter(({ step }) => step.do === 'supply').length);

test('the parts are measured once, a supply that stays is set once, and every circuit has its own readings', () => {
  const parallel = next(first, 'E1: R1 || R2 || R3');
  const { parts, circuits } = planned([first, parallel]);
  expect(parts.map(({ circuit, step }) => [circuit, step.do === 'read' && placeOf(step)])).toEqual([
    [0, 'Resistance of R1'],
    [0, 'Resistance of R2'],
    [0, 'Resistance of R3'],
  ]);
  const kinds = circuits.map(({ steps }) => steps.map(({ step }) => step.do));
  // In parallel they carry more: the current limit is another.
  expect(suppliesOf(circuits)).toEqual([1, 1]);
  expect(suppliesOf(planned([first, next(first, 'E1: R3 + R1 + R2')]).circuits)).toEqual([1, 0]);
  expect(kinds.map((one) => one.at(-1))).toEqual(['off', 'off']);
  for (const { steps, circuit } of circuits) {
    expect(steps.some(({ step }) => step.do === 'read')).toBe(true);
    expect(steps.every((one) => one.circuit === circuit)).toBe(true);
    expect(steps.some(({ step }) => step.do === 'read' && step.quantity === 'resistance')).toBe(false);
  }
  expect(circuits.map(({ line }) => line)).toEqual([
    'E1 9V/500m: R1 470 + R2 680 + R3 1k',
    'E1 9V/500m: R1 470 || R2 680 || R3 1k',
  ]);
});

test('a part with another role is the same body; a supply that is set otherwise is set again', () => {
  const roles = same.map(({ id }) => ({ id, role: ({ R1: 'R3', R3: 'R1' } as Record<string, string>)[id] ?? id }));
  const turned = next(first, 'E1: R1 + R2 + R3', roles);
  const higher: Job = {
    ...turned,
    network: { elements: turned.network.elements.map((one) => (one.kind === 'source' ? { ...one, emf: 12 } : one)) },
  };
  const { parts, circuits } = planned([first, higher]);
  expect(parts).toHaveLength(3);
  expect(circuits[1]!.steps.filter(({ step }) => step.do === 'supply')).toHaveLength(1);
});

test('what was read is known, in whichever circuit it was read', () => {
  const reading = {
    id: 'M1',
    quantity: 'resistance',
    instrument: first.instruments![0]!.id,
    range: '2 kΩ',
    element: 'R2',
    observations: [{ shown: '0.681', unit: 'kΩ', at: '2026-11-30T09:00:00Z' }],
  };
  const parallel: Job = { ...next(first, 'E1: R1 || R2 || R3'), readings: [reading] as never };
  const { parts, circuits } = planned([first, parallel]);
  expect(parts.map(({ isRead }) => isRead)).toEqual([false, true, false]);
  expect(circuits.flatMap(({ steps }) => steps).some(({ isRead }) => isRead)).toBe(false);
});

test('a circuit that cannot be planned is a fault', () => {
  const broken: Job = { ...first, network: { elements: [{ id: 'E1', kind: 'source', from: 'A', to: 'A', emf: 9 }] } };
  expect(planOrder([first, broken])).toMatchObject({ ok: false });
});
