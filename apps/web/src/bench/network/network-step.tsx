import { sameValue } from '@usual-drag/core/job';
import { nodesOf, referenceOf, type Element, type Network } from '@usual-drag/core/network';
import { networkCautions, type Unloaded } from '@usual-drag/core/loading';
import { memo, useMemo, useState } from 'react';
import { useAfterPaint } from '../../ui/after-paint.ts';
import { Note } from '../../ui/note.tsx';
import { Choice } from '../../ui/choice.tsx';
import { TabRow } from '../../ui/tabs.tsx';
import type { Solved } from '../model/analysis.ts';
import { useBench } from '../model/bench-store.ts';
import { usePartInHand } from '../model/selection.ts';
import { useEditing } from '../model/editing.ts';
import { ValuesChoice } from '../values-choice.tsx';
import { LineEntry } from './line-entry.tsx';
import { PartCard } from './part-card.tsx';
import { PartsTable } from './parts-table.tsx';
import { JobFaultNote } from '../job-fault-note.tsx';

/** The first step: the parts on the bench. */
export function NetworkStep({ unloaded }: { readonly unloaded: Solved<Unloaded> }) {
  const selected = usePartInHand();
  const network = useBench((state) => state.document.network);
  const part = network.elements.find((element) => element.id === selected);
  return (
    <div className="flex flex-col gap-3">
      <LineEntry />
      <Cautions unloaded={unloaded} />
      <Tables network={network} part={part} />
    </div>
  );
}

/** Conventions of solving the network: its values, and the reference node. */
function Conventions({ network }: { readonly network: Network }) {
  const measured = network.elements.some((e) => e.kind === 'resistor' && e.measuredResistance !== undefined);
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      {measured && <ValuesChoice values={network.values ?? 'nominal'} />}
      <ReferenceChoice nodes={nodesOf(network)} reference={referenceOf(network) ?? ''} />
    </div>
  );
}

/** Reason why there is no solution, and what overloads a part; a frame behind the drawing. */
function Cautions(now: { readonly unloaded: Solved<Unloaded> }) {
  const unloaded = useAfterPaint(now.unloaded);
  if (!unloaded.ok) return <JobFaultNote fault={unloaded.fault} />;
  const { network, values } = unloaded.value;
  return networkCautions(network, values).map((caution) => (
    <Note key={caution.message} kind={caution.kind}>
      {caution.message}
    </Note>
  ));
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
  const [asked, setOpen] = useState<'parts' | 'part'>('parts');
  const options = [
    { value: 'parts', text: 'Parts' },
    ...(part ? [{ value: 'part', text: `All about ${part.id}` } as const] : []),
  ] as const;
  const open = part ? asked : 'parts';
  return (
    <>
      <TabRow label="Parts" className="text-[14px]" value={open} options={options} onChange={setOpen} />
      {open === 'part' && part ? (
        <PartCard element={part} />
      ) : (
        <>
          <PartsTable network={network} />
          <Conventions network={network} />
        </>
      )}
    </>
  );
}

interface ReferenceProps {
  readonly nodes: readonly string[];
  readonly reference: string;
}

const ReferenceChoice = memo(function ReferenceChoice({ nodes, reference }: ReferenceProps) {
  const edit = useBench((state) => state.edit);
  return (
    <Choice
      label="Reference node"
      beside="Reference node"
      value={reference}
      options={nodes.map((node) => ({ value: node, text: node }))}
      onChange={(next) => edit((job) => ({ ...job, network: { ...job.network, reference: next } }))}
    />
  );
}, sameValue);
