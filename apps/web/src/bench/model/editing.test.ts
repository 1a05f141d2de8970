import type { Job } from '@usual-drag/core/job';
import { writeLine } from '@usual-drag/core/network';
import { addBeside, aim, aimAt, copy, land, newNodeName, paste, remove, split, swap, useEditing } from './editing.ts';
import { useSelection } from './selection.ts';

let job: Job;

jest.mock('./bench-store.ts', () => ({
  benchNow: () => ({ document: job, edit: (change: (now: Job) => Job) => (job = change(job)) }),
}));
jest.mock('./say-undoable.ts', () => ({ sayUndoable: () => undefined }));

const line = (): string => writeLine(job.network, { brief: true });

/** 24 V over 56 kΩ, and 39 kΩ beside 15 kΩ in series with 27 kΩ. */
beforeEach(() => {
  job = {
    format: 'usual-drag/job',
    version: 1,
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24 },
        { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000 },
        { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
        { id: 'R3', kind: 'resistor', from: 'B', to: 'C', resistance: 15_000 },
        { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 27_000 },
      ],
    },
  };
  useEditing.setState({ aim: null, at: null, typing: null, copied: null });
  useSelection.setState({ parts: [], rail: null });
});

test('an end is aimed from its own node and lands on another', () => {
  aim({ verb: 'move', part: 'R4', end: 'from' });
  expect(useEditing.getState().at).toBe('C');
  aimAt('B');
  land('B');
  expect(job.network.elements.at(-1)).toMatchObject({ id: 'R4', from: 'B', to: '0' });
  expect(useEditing.getState().aim).toBeNull();
});

test('rails are joined; onto itself a rail changes nothing', () => {
  const before = line();
  aim({ verb: 'join', rail: 'C' });
  land('C');
  expect(line()).toBe(before);
  aim({ verb: 'join', rail: 'C' });
  land('B');
  expect(job.network.elements.find(({ id }) => id === 'R3')).toMatchObject({ from: 'B', to: 'B' });
  expect(useSelection.getState().rail).toBe('B');
});

test('a part added between two rails is selected, and its value is typed next', () => {
  aim({ verb: 'add', rail: 'A' });
  land('C');
  expect(job.network.elements.at(-1)).toMatchObject({ id: 'R5', kind: 'resistor', from: 'A', to: 'C' });
  expect(useSelection.getState().parts).toEqual(['R5']);
  expect(useEditing.getState().typing).toBe('R5');
});

test('a part is added in series and in parallel', () => {
  addBeside('R3', 'series');
  addBeside('R2', 'parallel');
  expect(line()).toBe('E1 24V: @A R1 56k @B (R2 39k || R6 10k || R3 15k @D R5 10k @C R4 27k) @0');
});

test('ends are swapped, and a node is split into one with the next free letter', () => {
  swap('R3');
  expect(job.network.elements[3]).toMatchObject({ from: 'C', to: 'B' });
  expect(newNodeName()).toBe('D');
  split('B', ['R2.from']);
  expect(job.network.elements[2]).toMatchObject({ id: 'R2', from: 'D', to: '0' });
  expect(useSelection.getState().rail).toBe('D');
});

test('parts are removed, and the next one is selected; the last part stays', () => {
  remove(['R2', 'R3']);
  expect(job.network.elements.map(({ id }) => id)).toEqual(['E1', 'R1', 'R4']);
  expect(useSelection.getState().parts).toEqual(['R4']);
  remove(['E1', 'R1', 'R4']);
  expect(job.network.elements).toHaveLength(3);
});

test('copied parts are pasted under new names with the values that they had', () => {
  copy(['R3', 'R4']);
  remove(['R3']);
  paste();
  const added = job.network.elements.slice(4);
  expect(added.map((one) => one.kind === 'resistor' && one.resistance)).toEqual([15_000, 27_000]);
  expect(new Set(job.network.elements.map(({ id }) => id)).size).toBe(6);
  expect(useSelection.getState().parts).toEqual(added.map(({ id }) => id));
});
