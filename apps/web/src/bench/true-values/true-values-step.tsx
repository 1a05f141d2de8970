import {
  formatQuantity,
  networkCautions,
  nodesOf,
  referenceOf,
  solveLimited,
  type Network,
  type NetworkValues,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo, type ReactNode } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import type { Solved } from '../model/analysis.ts';
import { useBench } from '../model/bench-store.ts';
import { useDisplay } from '../canvas/display.ts';
import { Charge } from './charge.tsx';
import { EveryPart } from './every-part.tsx';
import { MeasuredAgainstNominal } from './measured-against-nominal.tsx';
import { Sums } from './sums.tsx';
import { Supplies } from './supplies.tsx';

/** The second step: what is true with no meter connected, part by part, and the sums that prove it. */
export function TrueValuesStep({ unloaded }: { readonly unloaded: Solved<Unloaded> }) {
  const network = useBench((state) => state.document.network);
  const edit = useBench((state) => state.edit);
  const { flow, set } = useDisplay();
  const measured = network.elements.some((e) => e.kind === 'resistor' && e.measuredResistance !== undefined);
  if (!unloaded.ok) return <Note kind="limit">{unloaded.fault.message}</Note>;
  const { values } = unloaded.value;
  return (
    <div className="flex flex-col gap-4">
      <Cautions network={network} values={values} />
      <Block title="Every part">
        <EveryPart network={network} values={values} />
      </Block>
      <Block title="Node potentials">
        <Potentials network={network} values={values} />
      </Block>
      <Block title="Supplies">
        <Supplies network={network} />
      </Block>
      <Block title="The sums">
        <Sums network={network} values={values} />
      </Block>
      {measured && (
        <Block title="Measured against nominal">
          <Segments
            label="Work with"
            value={network.values ?? 'nominal'}
            options={[
              { value: 'nominal', text: 'work with nominal' },
              { value: 'measured', text: 'with measured' },
            ]}
            onChange={(next) => edit((job) => ({ ...job, network: { ...job.network, values: next } }))}
          />
          <MeasuredAgainstNominal network={network} />
        </Block>
      )}
      <Block title="Charge">
        <Charge network={network} values={values} />
      </Block>
      <Segments
        label="Arrows show"
        showLabel
        value={flow}
        options={[
          { value: 'conventional', text: 'conventional current' },
          { value: 'electron', text: 'electron flow' },
        ]}
        onChange={(next) => set({ flow: next })}
      />
    </div>
  );
}

function Block({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-1.5">
      <h2 className="text-[16px] font-bold">{title}</h2>
      {children}
    </section>
  );
}

function Potentials({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const nodes = nodesOf(network);
  const reference = referenceOf(network);
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1">
      {nodes.map((node) => (
        <li key={node} className="inline-flex items-center gap-1.5">
          <NodeBadge node={node} nodes={nodes} />
          <span className="figures text-[14px]">{formatQuantity(values.nodes[node] ?? null, 'V')}</span>
          {node === reference && <span className="text-[13px] text-soft">reference</span>}
        </li>
      ))}
    </ul>
  );
}

/** Limits passed, and what the circuit really does then. */
function Cautions({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const limited = useMemo(() => solveLimited(network), [network]);
  return (
    <>
      {networkCautions(network, values).map((caution) => {
        const really = limited?.limited.find(({ id }) => id === caution.about);
        const of = really && limited?.values.elements[really.id];
        return (
          <Note key={caution.message} kind={caution.kind}>
            {caution.message}
            {really && of && (
              <>
                {' '}
                {really.holds === 'current'
                  ? `Really it holds ${formatQuantity(Math.abs(really.at), 'A')} and its voltage falls to ${formatQuantity(of.voltage, 'V')}; the values here are those without the limit.`
                  : `Really it holds ${formatQuantity(Math.abs(really.at), 'V')} and its current falls to ${formatQuantity(of.current, 'A')}; the values here are those without the limit.`}
              </>
            )}
          </Note>
        );
      })}
    </>
  );
}
