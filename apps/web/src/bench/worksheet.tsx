import { formatQuantity, nodesOf, partLabel, type Network, type NetworkValues } from '@usual-drag/core';
import clsx from 'clsx';
import { NodeBadge } from '../ui/node-badge.tsx';

interface Props {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  /** With the meters in; their columns are left out where there are none. */
  readonly loaded?: NetworkValues | null;
  readonly selected?: string | null;
}

/** Every part's voltage, current and power: true in ink, with the meters in in ochre. */
export function Worksheet({ network, truth, loaded, selected }: Props) {
  const nodes = nodesOf(network);
  const head = 'px-2 py-1 text-right font-medium';
  return (
    <div
      className="max-h-[34%] min-h-32 shrink-0 overflow-auto border-t border-line px-4 py-2"
      tabIndex={0}
      role="region"
      aria-label="Values of every part"
    >
      <table className="w-full border-collapse text-[14px]">
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            <th scope="col" className="px-2 py-1 text-left font-medium">
              Part
            </th>
            <th scope="col" className="px-2 py-1 text-left font-medium">
              Ends
            </th>
            <th scope="col" className={head}>
              Value
            </th>
            <th scope="col" className={head}>
              True V
            </th>
            <th scope="col" className={head}>
              True I
            </th>
            <th scope="col" className={head}>
              True P
            </th>
            {loaded && (
              <th scope="col" className={clsx(head, 'text-ochre')}>
                Metered V
              </th>
            )}
            {loaded && (
              <th scope="col" className={clsx(head, 'text-ochre')}>
                Metered I
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {network.elements.map((element) => {
            const of = truth?.elements[element.id];
            const metered = loaded?.elements[element.id];
            return (
              <tr key={element.id} className={clsx('border-b border-line/60', selected === element.id && 'bg-sunk')}>
                <th scope="row" className="px-2 py-0.5 text-left font-bold">
                  {element.id}
                </th>
                <td className="px-2 py-0.5">
                  <span className="inline-flex gap-1">
                    <NodeBadge node={element.from} nodes={nodes} />
                    <NodeBadge node={element.to} nodes={nodes} />
                  </span>
                </td>
                <Figure text={partLabel(element, network.values).value} />
                <Figure text={formatQuantity(of?.voltage ?? null, 'V')} />
                <Figure text={formatQuantity(of?.current ?? null, 'A')} />
                <Figure text={formatQuantity(of?.power ?? null, 'W')} />
                {loaded && <Figure text={formatQuantity(metered?.voltage ?? null, 'V')} indicated />}
                {loaded && <Figure text={formatQuantity(metered?.current ?? null, 'A')} indicated />}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Figure({ text, indicated = false }: { readonly text: string; readonly indicated?: boolean }) {
  return <td className={clsx('figures px-2 py-0.5 text-right', indicated && 'font-bold text-ochre')}>{text}</td>;
}
