import { endsAt, nodesOf, samePoint } from '@usual-drag/core/network';
import clsx from 'clsx';
import { useState, type ReactNode } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { NodeBadge } from '../canvas/node-badge.tsx';
import { useBench } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';
import {
  addBeside,
  aim,
  cancelAim,
  copy,
  land,
  newNodeName,
  paste,
  remove,
  split,
  startTyping,
  swap,
  useEditing,
  type Aim,
} from '../model/editing.ts';

/** Commands for the selection, each with its key; below the drawing, so that nothing is covered. */
export function EditStrip() {
  const parts = useSelection((state) => state.parts);
  const rail = useSelection((state) => state.rail);
  const aimed = useEditing((state) => state.aim);
  const copied = useEditing((state) => state.copied);
  const here = useBench(
    useShallow(({ document: { network } }) => parts.filter((id) => network.elements.some((e) => e.id === id))),
  );
  const railHere = useBench(({ document: { network } }) => rail !== null && nodesOf(network).includes(rail));
  const [part] = here;
  if (aimed) return <AimStrip aimed={aimed} />;
  if (rail !== null && railHere) return <RailStrip key={rail} rail={rail} />;
  return (
    <Strip label={here.length > 0 ? `Edit ${here.join(', ')}` : 'Edit'}>
      {here.length === 0 && (
        <span className="text-soft">Select a part or a rail: click it, or use the arrow keys.</span>
      )}
      {here.length === 1 && part !== undefined && (
        <>
          <Tool text="value" hint="V" onClick={() => startTyping(part)} />
          <Tool text="in series" hint="S" onClick={() => addBeside(part, 'series')} />
          <Tool text="in parallel" hint="P" onClick={() => addBeside(part, 'parallel')} />
          <Tool text="move an end" hint="M" onClick={() => aim({ verb: 'move', part, end: 'to' })} />
          <Tool text="swap ends" hint="X" onClick={() => swap(part)} />
        </>
      )}
      {here.length > 0 && (
        <>
          <Tool text="copy" hint="Ctrl C" onClick={() => copy(here)} />
          <Tool text="remove" hint="Del" onClick={() => remove(here)} />
        </>
      )}
      {copied && <Tool text="paste" hint="Ctrl V" onClick={paste} />}
    </Strip>
  );
}

function RailStrip({ rail }: { readonly rail: string }) {
  const network = useBench((state) => state.document.network);
  const nodes = nodesOf(network);
  const ends = endsAt(network, rail);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const splits = ticked.length > 0 && ticked.length < ends.length;
  return (
    <Strip label={`Edit rail ${rail}`}>
      <NodeBadge node={rail} nodes={nodes} />
      <Tool text="add a part from here" hint="A" onClick={() => aim({ verb: 'add', rail })} />
      <Tool text="join with another rail" hint="J" onClick={() => aim({ verb: 'join', rail })} />
      {ends.length > 1 && (
        <span
          className="inline-flex flex-wrap items-center gap-x-2"
          role="group"
          aria-label={`Ends on ${rail} to split off`}
        >
          {ends.map((end) => (
            <label key={end} className="inline-flex min-h-9 items-center gap-1">
              <input
                type="checkbox"
                className="size-6 accent-(--ochre-line)"
                checked={ticked.includes(end)}
                onChange={() =>
                  setTicked(ticked.includes(end) ? ticked.filter((other) => other !== end) : [...ticked, end])
                }
              />
              {end.replace(/\.(from|to)$/, '')}
            </label>
          ))}
          <Tool text="split these off" disabled={!splits} onClick={() => split(rail, ticked)} />
        </span>
      )}
    </Strip>
  );
}

function AimStrip({ aimed }: { readonly aimed: Aim }) {
  const network = useBench((state) => state.document.network);
  const at = useEditing((state) => state.at);
  const nodes = nodesOf(network);
  const part = aimed.verb === 'move' ? network.elements.find(({ id }) => id === aimed.part) : undefined;
  const other = aimed.verb === 'move' ? part?.[aimed.end === 'from' ? 'to' : 'from'] : aimed.rail;
  const warning = at !== null && other !== undefined && aimed.verb !== 'join' ? samePoint(network, other, at) : null;
  return (
    <Strip label="Choose a rail">
      <span>
        {aimed.verb === 'move' && `Move the ${aimed.end} end of ${aimed.part} to`}
        {aimed.verb === 'join' && `Join rail ${aimed.rail} with`}
        {aimed.verb === 'add' && `A new part from ${aimed.rail} to`}
      </span>
      <span role="status" className="inline-flex items-center gap-2">
        {at !== null && <NodeBadge node={at} nodes={nodes} />}
      </span>
      <span className="text-[14px] text-soft">click a rail, or ↑ ↓ and Enter</span>
      {aimed.verb === 'move' && (
        <Tool text="other end" hint="M" onClick={() => aim({ ...aimed, end: aimed.end === 'to' ? 'from' : 'to' })} />
      )}
      {aimed.verb !== 'join' && <Tool text="a new point" hint="N" onClick={() => land(newNodeName())} />}
      <Tool text="cancel" hint="Esc" onClick={cancelAim} />
      {warning && <span className="basis-full text-[14px] text-ochre">{warning}</span>}
    </Strip>
  );
}

function Strip({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div
      role="toolbar"
      aria-label={label}
      className="flex min-h-[45px] shrink-0 flex-wrap items-center gap-x-0.5 gap-y-0.5 border-t border-line bg-ground px-4 py-1"
    >
      {children}
    </div>
  );
}

interface ToolProps {
  readonly text: string;
  readonly hint?: string;
  readonly disabled?: boolean;
  readonly onClick: () => void;
}

function Tool({ text, hint, disabled = false, onClick }: ToolProps) {
  return (
    <button
      type="button"
      disabled={disabled}
      aria-keyshortcuts={hint?.replace('Ctrl ', 'Control+').replace('Del', 'Delete').replace('Esc', 'Escape')}
      onClick={onClick}
      className={clsx(
        'inline-flex min-h-9 items-center gap-1 rounded-lg px-1.5 text-[14px] whitespace-nowrap hover:bg-sunk disabled:opacity-45',
        'border border-transparent hover:border-line',
      )}
    >
      {text}
      {hint && (
        <kbd className="figures rounded border border-line bg-sheet px-1 text-[12px] text-soft" aria-hidden>
          {hint}
        </kbd>
      )}
    </button>
  );
}
