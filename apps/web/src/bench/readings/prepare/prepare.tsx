import { formatQuantity } from '@usual-drag/core/quantity';
import { isSource, type Element, type Network } from '@usual-drag/core/network';
import { buildOrder, restoringChecks } from '@usual-drag/core/plan';
import { useMemo, useState } from 'react';
import { Segments } from '../../../ui/segments.tsx';
import { BoardPanel } from '../../board/board-panel.tsx';
import { useBench } from '../../model/bench-store.ts';
import { tick, useReadingEntry } from '../../model/reading-entry.ts';
import { SimulatedChoice } from './simulated-choice.tsx';
import type { Readings } from '../use-readings.ts';

const views = [
  { value: 'before', text: 'Before' },
  { value: 'wires', text: 'Build by wires' },
  { value: 'board', text: 'Strip board' },
  { value: 'after', text: 'After' },
  { value: 'simulated', text: 'Simulated' },
] as const;
type PrepareView = (typeof views)[number]['value'];

/** Tasks before the first step and after the last, and the order of building the network. */
export function Prepare({ readings }: { readonly readings: Readings }) {
  const network = useBench((state) => state.document.network);
  const [view, setView] = useState<PrepareView>('before');
  return (
    <div className="flex flex-col gap-2 text-[15px]">
      <Segments wrap label="What to prepare" value={view} options={views} onChange={setView} />
      {view === 'before' && <CheckList name="before" lines={linesBefore(network, readings)} />}
      {view === 'wires' && <Wires network={network} />}
      {view === 'board' && <BoardPanel network={network} />}
      {view === 'after' && (
        <CheckList
          name="after"
          lines={restoringChecks(readings.readings.filter(({ struck }) => struck === undefined))}
        />
      )}
      {view === 'simulated' && <SimulatedChoice />}
    </div>
  );
}

function CheckList({ name, lines }: { readonly name: string; readonly lines: readonly string[] }) {
  const ticked = useReadingEntry((state) => state.ticked[name]) ?? [];
  return (
    <ul className="flex flex-col rounded-xl border border-line bg-sheet px-3 py-1" aria-label="Check list">
      {lines.map((line) => (
        <li key={line}>
          <label className="flex min-h-9 items-center gap-2.5 pointer-coarse:min-h-11">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-(--ochre-line)"
              checked={ticked.includes(line)}
              onChange={() => tick(name, line)}
            />
            {line}
          </label>
        </li>
      ))}
    </ul>
  );
}

function linesBefore({ elements }: Network, { conventions, plan }: Readings): string[] {
  const needsLeads = conventions.checks === 'leads-function-range-placement';
  return [
    ...elements.flatMap((part) =>
      part.kind === 'resistor'
        ? [
            `${labelled(part)}: ${formatQuantity(part.resistance, 'Ω', { digits: 4, trim: true })} by its bands or code, and measured`,
          ]
        : [],
    ),
    ...elements.filter(isSource).map(({ id }) => `${id} ${supplyWords[conventions.supply ?? 'meter']}`),
    'Leads undamaged, tips clean, rated for this circuit',
    'Fuse of the current jack is good: its range indicates a current through a known resistor',
    needsLeads ? 'Leads in their jacks before the function is chosen' : 'Function chosen before the leads are plugged',
    ...(plan && plan.breaks > 0 ? ['Supply off whenever the circuit is opened or closed'] : []),
  ];
}

const supplyWords = {
  meter: 'set by the meter, not by its own display',
  posts: 'set by the meter at its posts',
  clips: 'set by the meter at the clips of the leads',
  rated: 'rated value is used; read it to check',
} as const;

/** A part by its role, and by what is printed on its body where that is another. */
const labelled = (part: Element): string => {
  const body = part.kind === 'resistor' && part.bodyLabel !== undefined ? ` (marked ${part.bodyLabel})` : '';
  return part.id + body + (part.label ? `, ${part.label}` : '');
};

function Wires({ network }: { readonly network: Network }) {
  const order = useMemo(() => buildOrder(network), [network]);
  return (
    <>
      <p className="text-soft">Innermost loop first, then the parts around it, the supply last.</p>
      <ol className="list-decimal rounded-xl border border-line bg-sheet py-2 pr-3 pl-9" aria-label="Build order">
        {order.map(({ element, wires }) => (
          <li key={element.id} className="py-0.5">
            <b>{labelled(element)}</b> from {element.from} to {element.to}
            {wires.map(({ end, to, node }) => (
              <span key={end} className="block text-soft">
                wire {endWords(end)} to {endWords(to)} ({node})
              </span>
            ))}
          </li>
        ))}
      </ol>
    </>
  );
}

/** `R3, end on B` in words for `R3.from`: its first or second leg. */
const endWords = (end: string): string => {
  const [id, side] = end.split('.');
  return `${id} ${side === 'from' ? 'first' : 'second'} leg`;
};
