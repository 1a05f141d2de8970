import type { Board } from '@usual-drag/core/board';
import { count } from '../../ui/words.ts';

/** Parts and wires as a list, for building by it and for screen readers. */
export function BoardContents({ board: { parts, wires } }: { readonly board: Board }) {
  return (
    <details className="text-[14px]">
      <summary>
        List: {count(parts.length, 'part')}, {count(wires.length, 'wire')}
      </summary>
      <ul className="figures mt-1 columns-2" aria-label="Parts and wires on the board">
        {parts.map(({ id, from = '-', to = '-' }) => (
          <li key={id}>
            {id} {from} {to}
          </li>
        ))}
        {wires.map(({ from, to }) => (
          <li key={from}>
            wire {from} {to}
          </li>
        ))}
      </ul>
    </details>
  );
}
