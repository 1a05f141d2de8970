import { applyBoardLine } from '@usual-drag/core/board';
import type { Network } from '@usual-drag/core/network';
import { useState } from 'react';
import { editBoard, useBoard } from './board-now.ts';

/** Field for typed positions: `R1 5a 9a`, `wire 5L+ 5b`, `R1 off`. */
export function PlacementEntry({ network }: { readonly network: Network }) {
  const board = useBoard();
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const example = network.elements.find(({ kind }) => kind === 'resistor')?.id ?? 'R1';
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        const applied = applyBoardLine(network, board, text);
        setFault(applied.ok ? null : applied.fault.message);
        if (!applied.ok) return;
        editBoard(() => applied.value);
        setText('');
      }}
    >
      <label htmlFor="board-line" className="font-bold">
        Type positions
      </label>
      <input
        id="board-line"
        autoComplete="off"
        spellCheck={false}
        aria-invalid={fault !== null}
        aria-describedby="board-line-hint"
        placeholder={`${example} 5a 9a`}
        className={`figures min-h-10 rounded-xl border-2 bg-sheet px-3 ${fault ? 'border-fault' : 'border-line'}`}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setFault(null);
        }}
      />
      <p id="board-line-hint" className="text-[14px] leading-snug text-soft" role={fault ? 'alert' : undefined}>
        {fault ? (
          <span className="text-fault">{fault}</span>
        ) : (
          <>
            Press Enter to apply. <b className="figures text-ink">wire 5L+ 5b</b> adds a wire,{' '}
            <b className="figures text-ink">{example} off</b> removes a part.
          </>
        )}
      </p>
    </form>
  );
}
