import fc from 'fast-check';
import type { Meter } from '../../loading/index.ts';
import type { Network } from '../../network/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import { drawRails, setInStrips, type RailDrawing } from '../index.ts';
import { runs } from '../../test/runs.ts';

const room = { width: 720, height: 400 };

/** A chain of so many resistors on one source. */
const chain = (count: number): Network => ({
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 60 },
    ...Array.from({ length: count }, (_, i) => ({
      id: `R${i + 1}`,
      kind: 'resistor' as const,
      from: i === 0 ? 'A' : `N${i}`,
      to: i === count - 1 ? '0' : `N${i + 1}`,
      resistance: 1000 + i,
    })),
  ],
});

function drawn(network: Network, meters: readonly Meter[] = []): { whole: RailDrawing; strips: RailDrawing } {
  const unloaded = solveUnloaded(network);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const input = { network, truth, meters, spacing: 'scale', ...room } as const;
  const whole = drawRails(input);
  return { whole, strips: setInStrips(whole, input, room) };
}

const scaleOf = ({ width, height }: RailDrawing): number => Math.min(1, room.width / width, room.height / height);

/** Every part is between two rails of its own nodes, as far across as it is. */
function isJoined({ parts, rails }: RailDrawing): boolean {
  return parts.every(({ element, x, yTop, yBottom }) =>
    [yTop, yBottom].every((y) =>
      rails.some(
        (rail) =>
          (rail.node === element.from || rail.node === element.to) && rail.y === y && rail.x1 <= x && x <= rail.x2,
      ),
    ),
  );
}

test('a chain of sixty is set in strips that can be read where the whole cannot', () => {
  const { whole, strips } = drawn(chain(60));
  expect(scaleOf(whole)).toBeLessThan(0.2);
  expect(scaleOf(strips)).toBeGreaterThan(0.65);
  expect(strips.parts.map(({ element }) => element.id)).toEqual(whole.parts.map(({ element }) => element.id));
  expect(isJoined(strips)).toBe(true);
});

test('each strip begins with the rail that the one before ended on', () => {
  const { strips } = drawn(chain(60));
  const byNode = new Map<string, number>();
  for (const { node } of strips.rails) byNode.set(node, (byNode.get(node) ?? 0) + 1);
  expect(new Set(byNode.keys())).toEqual(new Set(strips.arrangement.rails));
  // The two of the source, and one where a strip goes over into the next.
  const repeated = [...byNode].filter(([, times]) => times > 1).map(([node]) => node);
  expect(repeated).toEqual(expect.arrayContaining(['A', '0']));
  expect([...byNode.values()].every((times) => times <= 2)).toBe(true);
});

test('a drawing that fits, and a ladder whose rungs all reach the common rail, stay whole', () => {
  const short = drawn(chain(5));
  expect(short.strips).toBe(short.whole);
  const steps = Array.from({ length: 30 }, (_, i) => [
    { id: `R${i}`, kind: 'resistor' as const, from: i === 0 ? 'A' : `N${i}`, to: `N${i + 1}`, resistance: 10 },
    { id: `S${i}`, kind: 'resistor' as const, from: `N${i + 1}`, to: '0', resistance: 1000 },
  ]).flat();
  const ladder = drawn({ elements: [{ id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 }, ...steps] });
  expect(ladder.strips).toBe(ladder.whole);
});

test('meters stand in the strip of their nodes; where none has both, the drawing stays whole', () => {
  const near: Meter = { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: 'r', red: 'N3', black: 'N5' };
  const amps: Meter = {
    id: 'A1',
    instrument: 'm',
    quantity: 'dc-current',
    range: 'r',
    node: 'N40',
    ends: ['R41.from'],
  };
  const { whole, strips } = drawn(chain(60), [near, amps]);
  expect(strips).not.toBe(whole);
  expect(strips.voltmeters.map(({ id }) => id)).toEqual(['V1']);
  expect(strips.ammeters.map(({ id }) => id)).toEqual(['A1']);
  const far = drawn(chain(60), [{ ...near, black: 'N50' }]);
  expect(far.strips).toBe(far.whole);
});

test('whatever the length, every part is drawn once and joined to its own rails', () => {
  fc.assert(
    fc.property(fc.integer({ min: 14, max: 120 }), (count) => {
      const { strips } = drawn(chain(count));
      expect(strips.parts).toHaveLength(count + 1);
      expect(isJoined(strips)).toBe(true);
    }),
    { numRuns: runs(25) },
  );
});
