import { formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf, referenceOf, type Network } from '@usual-drag/core/network';
import { solveLimited, type NetworkValues } from '@usual-drag/core/solver';
import { networkCautions, type Unloaded } from '@usual-drag/core/loading';
import { useMemo, useState, type ReactNode } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';
import { Note } from '../../ui/note.tsx';
import { Panel } from '../../ui/panel.tsx';
import { Segments } from '../../ui/segments.tsx';
import { TabPanels, TabRow } from '../../ui/tabs.tsx';
import type { Solved } from '../model/analysis.ts';
import { useBench } from '../model/bench-store.ts';
import { useDisplay } from '../canvas/display.ts';
import { FaultPanel } from '../faults/fault-panel.tsx';
import { ValuesChoice } from '../values-choice.tsx';
import { Charge } from './charge.tsx';
import { EveryPart } from './every-part.tsx';
import { MeasuredAgainstNominal } from './measured-against-nominal.tsx';
import { Sums } from './sums.tsx';
import { Supplies } from './supplies.tsx';
import { SupplyDisplay } from './supply-display.tsx';
import { JobFaultNote } from '../job-fault-note.tsx';

const tabs = [
  { value: 'parts', text: 'Parts' },
  { value: 'sums', text: 'Sums' },
  { value: 'supplies', text: 'Supplies' },
  { value: 'charge', text: 'Charge' },
  { value: 'fault', text: 'Fault' },
] as const;
const measuredTab = { value: 'measured', text: 'Measured or nominal' } as const;

type OpenTab = (typeof tabs)[number]['value'] | 'measured';

interface Props {
  readonly jobId: string;
  readonly unloaded: Solved<Unloaded>;
  /** The same without the fault that is tried. */
  readonly sound: Solved<Unloaded>;
}

/** The second step: what is true with no meter connected, part by part, and the sums that prove it. */
export function TrueValuesStep({ jobId, unloaded, sound }: Props) {
  const drawn = useBench((state) => state.document.network);
  const [asked, setOpen] = useState<OpenTab>('parts');
  if (!unloaded.ok) return <JobFaultNote fault={unloaded.fault} />;
  const { values, network } = unloaded.value;
  const measured = network.elements.some((e) => e.kind === 'resistor' && e.measuredResistance !== undefined);
  const options = measured ? [...tabs, measuredTab] : tabs;
  const open = options.some(({ value }) => value === asked) ? asked : 'parts';
  const panels: Record<OpenTab, () => ReactNode> = {
    parts: () => (
      <>
        <EveryPart network={network} values={values} />
        <Potentials network={network} values={values} />
        <FlowChoice />
      </>
    ),
    sums: () => <Sums network={network} values={values} />,
    supplies: () => (
      <>
        <Supplies network={network} />
        <SupplyDisplay network={network} values={values} />
      </>
    ),
    charge: () => <Charge network={network} values={values} />,
    fault: () => sound.ok && <FaultPanel jobId={jobId} network={sound.value.network} />,
    measured: () => (
      <>
        <ValuesChoice values={network.values ?? 'nominal'} />
        <MeasuredAgainstNominal network={network} />
      </>
    ),
  };
  return (
    <div className="flex flex-col gap-3">
      <Cautions network={drawn} unloaded={unloaded.value} />
      <TabRow label="True values" className="text-[14px]" value={open} options={options} onChange={setOpen} />
      <TabPanels
        value={open}
        options={options}
        panel={(tab) => (
          <Panel name={options.find(({ value }) => value === tab)!.text}>
            <div className="flex flex-col gap-3">{panels[tab]()}</div>
          </Panel>
        )}
      />
    </div>
  );
}

function FlowChoice() {
  const { flow, set } = useDisplay();
  return (
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
function Cautions({ network, unloaded }: { readonly network: Network; readonly unloaded: Unloaded }) {
  const { values } = unloaded;
  const limited = useMemo(() => solveLimited(unloaded.network), [unloaded]);
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
                  ? `The real circuit holds ${formatQuantity(Math.abs(really.at), 'A')} and its voltage falls to ${formatQuantity(of.voltage, 'V')}; the values here are those without the limit.`
                  : `The real circuit holds ${formatQuantity(Math.abs(really.at), 'V')} and its current falls to ${formatQuantity(of.current, 'A')}; the values here are those without the limit.`}
              </>
            )}
          </Note>
        );
      })}
    </>
  );
}
