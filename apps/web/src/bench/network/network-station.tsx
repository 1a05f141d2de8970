import { networkCautions, nodesOf, referenceOf, type Element, type Network, type Unloaded } from '@usual-drag/core';
import { memo, useMemo } from 'react';
import { useAfterPaint } from '../../ui/after-paint.ts';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import { Choice } from '../../ui/choice.tsx';
import type { Solved } from '../analysis.ts';
import { useBench } from '../bench-store.ts';
import { usePartInHand } from '../selection.ts';
import { useEditing } from './editing.ts';
import { LineEntry } from './line-entry.tsx';
import { PartCard } from './part-card.tsx';
import { PartsTable } from './parts-table.tsx';

/** The first station: the parts on the bench. */
export function NetworkStation({ unloaded }: { readonly unloaded: Solved<Unloaded> }) {
  const selected = usePartInHand();
  const network = useBench((state) => state.document.network);
  const edit = useBench((state) => state.edit);
  const part = network.elements.find((element) => element.id === selected);
  const cautions = unloaded.ok ? networkCautions(network, unloaded.value.values) : [];
  const measured = network.elements.some((e) => e.kind === 'resistor' && e.measuredResistance !== undefined);
  return (
    <div className="flex flex-col gap-4">
      <LineEntry />
      {!unloaded.ok && <Note kind="limit">{unloaded.fault.message}</Note>}
      {cautions.map((caution) => (
        <Note key={caution.message} kind={caution.kind}>
          {caution.message}
        </Note>
      ))}
      <Tables network={network} part={part} />
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        {measured && (
          <Segments
            label="Work with"
            showLabel
            value={network.values ?? 'nominal'}
            options={[
              { value: 'nominal', text: 'nominal' },
              { value: 'measured', text: 'measured' },
            ]}
            onChange={(values) => edit((job) => ({ ...job, network: { ...job.network, values } }))}
          />
        )}
        <ReferenceChoice nodes={nodesOf(network).join(' ')} reference={referenceOf(network) ?? ''} />
      </div>
    </div>
  );
}

interface TablesProps {
  readonly network: Network;
  readonly part: Element | undefined;
}

/** The parts and all about one of them. While the line is typed the drawing comes first, and these as soon as there is time. */
function Tables(now: TablesProps) {
  const steady = useMemo(() => ({ network: now.network, part: now.part }), [now.network, now.part]);
  const later = useAfterPaint(steady);
  const { network, part } = useEditing((state) => state.line) ? later : steady;
  return (
    <>
      <PartsTable network={network} />
      {part && <PartCard element={part} />}
    </>
  );
}

interface ReferenceProps {
  /** Names with spaces between. */
  readonly nodes: string;
  readonly reference: string;
}

const ReferenceChoice = memo(function ReferenceChoice({ nodes, reference }: ReferenceProps) {
  const edit = useBench((state) => state.edit);
  return (
    <Choice
      label="Potentials against"
      showLabel
      className="w-40"
      value={reference}
      options={nodes.split(' ').map((node) => ({ value: node, text: `node ${node}` }))}
      onChange={(next) => edit((job) => ({ ...job, network: { ...job.network, reference: next } }))}
    />
  );
});
