import { endsAt, samePoint } from '@usual-drag/core/network';
import {
  swapLeads,
  toggleEnd,
  type AmmeterPlacement,
  type Meter,
  type Setup,
  type VoltmeterPlacement,
} from '@usual-drag/core/loading';
import { ArrowLeftRight } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { useBench } from '../model/bench-store.ts';
import { BreakPicture } from './break-picture.tsx';
import { useNodeOptions } from './node-options.tsx';

interface Props {
  readonly setup: Setup;
  readonly meter: Meter;
  readonly place: (meter: Meter) => void;
}

/** Place of a meter's leads: across two nodes, or in a break. */
export const Leads = ({ setup, meter, place }: Props) =>
  meter.quantity === 'dc-voltage' ? (
    <Across meter={meter} place={place} />
  ) : (
    <InSeries setup={setup} meter={meter} place={place} />
  );

interface AcrossProps {
  readonly meter: VoltmeterPlacement;
  readonly place: (meter: Meter) => void;
}

function Across({ meter, place }: AcrossProps) {
  const network = useBench((state) => state.document.network);
  const options = useNodeOptions(network);
  const same = samePoint(network, meter.red, meter.black);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <Choice
        label="Red lead (+) on"
        beside="Red +"
        value={meter.red}
        options={options}
        onChange={(red) => place({ ...meter, red })}
      />
      <Choice
        label="Black lead (−) on"
        beside="Black −"
        value={meter.black}
        options={options}
        onChange={(black) => place({ ...meter, black })}
      />
      <Button className="ml-auto" onClick={() => place(swapLeads(meter))}>
        <ArrowLeftRight aria-hidden size={16} /> Swap leads
      </Button>
      {same && <p className="basis-full text-[14px] text-ochre">{same}</p>}
    </div>
  );
}

function InSeries({ setup, meter, place }: Props & { readonly meter: AmmeterPlacement }) {
  const network = useBench((state) => state.document.network);
  const options = useNodeOptions(network);
  const taken = new Set(
    setup.meters.flatMap((other) => (other.quantity === 'dc-current' && other.id !== meter.id ? other.ends : [])),
  );
  const free = (node: string): string | undefined => endsAt(network, node).find((end) => !taken.has(end));
  const move = (node: string): void => {
    const end = free(node);
    if (end !== undefined) place({ ...meter, node, ends: [end] });
  };
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
      <Choice label="Break at" beside="Break at" value={meter.node} options={options} onChange={move} />
      <BreakPicture
        network={network}
        meter={meter}
        ends={endsAt(network, meter.node).filter((end) => !taken.has(end))}
        onToggle={(end) => place(toggleEnd(meter, meter.node, end))}
      />
      <Button className="ml-auto" onClick={() => place(swapLeads(meter))} aria-pressed={meter.reversed ?? false}>
        <ArrowLeftRight aria-hidden size={16} /> Swap leads
      </Button>
    </div>
  );
}
