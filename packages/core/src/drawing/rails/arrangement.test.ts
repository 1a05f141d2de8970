import { nodesOf, type Network } from '../../network/index.ts';
import { circuitOf, networkValues, solveCircuit } from '../../solver/index.ts';
import { sketchedNetwork } from '../../test/sketched-network.ts';
import { columnCost } from './column-cost.ts';
import { addMeterColumn, arrangeColumns } from './columns.ts';
import { nodeLevels, railOrder, steadyRails } from './levels.ts';
import { passedRails, reachOf, spansOf } from './link.ts';
import { letterRooms, roomBelow, takeSeats } from './stretches.ts';
import { read } from '../../test/read-line.ts';

function levelled(network: Network): string[] {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  const values = solved.ok ? networkValues(network, named, solved.value) : null;
  return railOrder(network, nodeLevels(network, values));
}

test('rails stand by potential, the reference last among equals', () => {
  expect(levelled(read('E1 24V: R1 56k + R2 39k'))).toEqual(['A', 'B', '0']);
  expect(levelled(read('~E1 24V: R1 56k + R2 39k'))).toEqual(['0', 'B', 'A']);
  expect(levelled(read('E1 24V: R1 56k + R2 39k @C S1 open @0'))).toEqual(['A', 'B', 'C', '0']);
  // The far end of a ladder is as good as at the common, and still drawn above it.
  const ladder = sketchedNetwork(7, 20);
  expect(levelled(ladder).at(-1)).toBe('0');
});

test('an island of its own stands with its foot on the common’s level', () => {
  const order = levelled(read('E1 10V: R1 1k; @P E2 5V @Q; @P R2 1k @Q'));
  expect(order.indexOf('P')).toBeLessThan(order.indexOf('Q'));
});

test('rails stay as they were unless too many have been turned round', () => {
  expect(steadyRails(['A', 'C', 'B', '0'], ['A', 'B', 'C', '0'])).toEqual(['A', 'B', 'C', '0']);
  expect(steadyRails(['A', 'X', 'B', '0'], ['A', 'B', '0'])).toEqual(['A', 'X', 'B', '0']);
  expect(steadyRails(['0', 'B', 'A'], ['A', 'B', '0'])).toEqual(['0', 'B', 'A']);
  expect(steadyRails(['A', '0'], ['A', 'B', '0'])).toEqual(['A', '0']);
});

/** Crossings and rail lengths of every order of a few columns, by brute force. */
function leastCost(network: Network, rails: readonly string[], columns: readonly (readonly string[])[]): number {
  const cost = columnCost(columns, spansOf(network.elements, rails));
  let least = Infinity;
  const visit = (order: readonly number[], rest: readonly number[]): void => {
    if (rest.length === 0) least = Math.min(least, cost(order));
    for (const next of rest)
      visit(
        [...order, next],
        rest.filter((other) => other !== next),
      );
  };
  visit(
    [0],
    columns.slice(1).map((_, index) => index + 1),
  );
  return least;
}

const crossings = (cost: number): number => Math.floor(cost / 1000);

test('few columns are ordered with as few crossings as can be', () => {
  for (let seed = 1; seed <= 60; seed += 1) {
    const network = sketchedNetwork(seed, 9);
    const rails = levelled(network);
    const columns = arrangeColumns(network, rails);
    if (columns.length > 7) continue;
    const cost = columnCost(columns, spansOf(network.elements, rails));
    expect(crossings(cost(columns.map((_, index) => index)))).toBe(crossings(leastCost(network, rails, columns)));
    expect(columns[0]).toContain('E1');
    expect(columns.flat().sort()).toEqual(network.elements.map(({ id }) => id).sort());
  }
});

test('a meter’s column goes where it crosses least, to the right where that does not matter', () => {
  const network = read('E1 24V: R1 56k + (R2 39k || R3 15k + R4 27k)');
  const rails = levelled(network);
  const links = [...network.elements, { id: 'V', from: 'B', to: '0' }];
  expect(addMeterColumn(arrangeColumns(network, rails), links, 'V', rails).at(-1)).toEqual(['V']);
});

test('a line passes the rails between its ends that reach to both its sides', () => {
  const network = read('E1 24V: R1 1k @B R2 1k @C R3 1k; @B R4 1k @D R5 1k @0; @A R6 1k');
  const rails = nodesOf(network);
  const spans = spansOf(network.elements, ['A', 'B', 'D', 'C', '0']);
  const columns = [['E1'], ['R1', 'R2', 'R3'], ['R6'], ['R4', 'R5']];
  const reach = reachOf(columns, spans, rails.length);
  expect(passedRails(spans.get('R6')!, 2, reach)).toEqual([1]);
  expect(passedRails(spans.get('E1')!, 0, reach)).toEqual([]);
});

test('a symbol sits where no rail runs through, and where there is room already', () => {
  const reach = { left: Int32Array.from([0, 0, 5, 0]), right: Int32Array.from([9, 9, 8, 9]) };
  const link = (id: string, top: number, bottom: number, column: number) => ({
    id,
    column,
    span: { id, top, bottom },
    height: 88,
    atTop: 0,
    atBottom: 0,
  });
  const [long, short] = takeSeats([link('long', 0, 3, 2), link('short', 0, 1, 4)], reach);
  expect(short).toMatchObject({ top: 0, bottom: 1, height: 88 });
  expect(long).toMatchObject({ top: 0, bottom: 1, passed: [1] });
  const [lifted] = takeSeats([{ ...link('lifted', 0, 1, 2), atTop: 66 }], reach);
  expect(lifted!.height).toBe(154);
});

test('rails that begin in one column keep their letters apart, and loops hang clear', () => {
  expect(letterRooms({ left: Int32Array.from([0, 2, 2]), right: Int32Array.from([3, 3, 3]) })).toEqual([
    { top: 1, bottom: 2, height: 27 },
  ]);
  expect(roomBelow({ top: 1, bottom: 1, height: 5 }, 4)).toMatchObject({ top: 1, bottom: 2 });
  expect(roomBelow({ top: 3, bottom: 3, height: 5 }, 4)).toMatchObject({ top: 3, bottom: 3 });
});
