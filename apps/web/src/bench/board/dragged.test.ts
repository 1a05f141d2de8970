import { emptyBoard, type Board } from '@usual-drag/core/board';
import { afterDrop, withoutEnd, type Dragged } from './dragged.ts';

const board: Board = {
  ...emptyBoard(30),
  parts: [
    { id: 'R1', from: '5a', to: '9a' },
    { id: 'R2', from: '9c', to: '13c' },
  ],
  wires: [{ from: '5L+', to: '5b' }],
};
const drag = (kind: Dragged['kind'], id: string, hole: string | null): Dragged => ({ kind, id, hole, name: id });

test('an end goes to a free hole, and stays where it is if the hole is taken', () => {
  const end = drag('end', '', '9a');
  expect(afterDrop(board, end, '10b').parts[0]).toEqual({ id: 'R1', from: '5a', to: '10b' });
  expect(afterDrop(board, end, '9c')).toBe(board);
  expect(afterDrop(board, end, '9a')).toBe(board);
  expect(afterDrop(board, drag('end', '', '5b'), '6b').wires).toEqual([{ from: '5L+', to: '6b' }]);
});

test('beside the board a leg is in no hole, a wire is removed, and a part is taken off', () => {
  expect(afterDrop(board, drag('end', '', '9a'), null).parts[0]).toEqual({ id: 'R1', from: '5a' });
  expect(afterDrop(board, drag('end', '', '5b'), null).wires).toEqual([]);
  expect(afterDrop(board, drag('part', 'R1', '5a'), null).parts.map(({ id }) => id)).toEqual(['R2']);
});

test('a part moves with both legs, and only if both holes are free', () => {
  const part = drag('part', 'R1', '5a');
  expect(afterDrop(board, part, '6b').parts[0]).toEqual({ id: 'R1', from: '6b', to: '10b' });
  expect(afterDrop(board, part, '5c')).toBe(board);
  expect(afterDrop(board, part, '28a')).toBe(board);
});

test('a new part is dropped with its body below the hole, not on a hole that is taken or beside the board', () => {
  const fresh = drag('new-part', 'R3', null);
  expect(afterDrop(board, fresh, '5e').parts[2]).toEqual({ id: 'R3', from: '5e', to: '9e' });
  expect(afterDrop(board, fresh, '5a')).toBe(board);
  expect(afterDrop(board, fresh, null)).toBe(board);
});

test('without its last leg a part is off the board', () => {
  const once = withoutEnd(board, '9c');
  expect(once.parts[1]).toEqual({ id: 'R2', to: '13c' });
  expect(withoutEnd(once, '13c').parts.map(({ id }) => id)).toEqual(['R1']);
});
