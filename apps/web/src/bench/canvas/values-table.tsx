import { formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf, withoutCurve, type Element, type Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { partLabel } from '@usual-drag/core/drawing';
import clsx from 'clsx';
import { memo, useMemo, type CSSProperties } from 'react';
import { useAfterPaint } from '../../ui/after-paint.ts';
import { NodeBadge } from './node-badge.tsx';

interface Props {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  /** With the meters in; their columns are left out if there are none. */
  readonly loaded?: NetworkValues | null;
  readonly selected?: string | null;
}

/** Every part's voltage, current and power: true in ink, with the meters in in ochre. */
export function ValuesTable({ selected, ...now }: Props) {
  // The drawing comes first; the figures follow it as soon as there is time.
  return <Figures {...useAfterPaint(useSteady(now))} selected={selected ?? null} />;
}

const Figures = memo(function Figures({ network, truth, loaded, selected }: Props) {
  const nodes = nodesOf(network);
  const head = 'px-1 py-1 text-right font-medium';
  return (
    <div
      className={clsx(
        'own-layer min-h-28 shrink-0 overflow-auto border-t max-sm:order-2 max-sm:bg-sheet border-line px-4 py-2',
        // A large drawing needs the room more.
        network.elements.length > mostRoomyParts ? 'sm:max-h-[22%]' : 'sm:max-h-[34%]',
      )}
      tabIndex={0}
      role="region"
      aria-label="Values of every part"
    >
      <table className="long-rows min-w-[38rem] text-[14px]" style={(loaded ? withMeters : without) as CSSProperties}>
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            <th scope="col" className="px-1 py-1 text-left font-medium">
              Part
            </th>
            <th scope="col" className="px-1 py-1 text-left font-medium">
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
                V with meters
              </th>
            )}
            {loaded && (
              <th scope="col" className={clsx(head, 'text-ochre')}>
                I with meters
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {network.elements.map((element) => {
            const of = truth?.elements[element.id];
            const metered = loaded?.elements[element.id];
            const volts = (v: number | null | undefined): string => formatQuantity(v ?? null, 'V');
            const amps = (i: number | null | undefined): string => formatQuantity(i ?? null, 'A');
            return (
              <Row
                key={element.id}
                element={element}
                nodes={nodes}
                selected={selected === element.id}
                figures={[
                  partLabel(inTable(element), network.values).value,
                  volts(of?.voltage),
                  amps(of?.current),
                  formatQuantity(of?.power ?? null, 'W'),
                  ...(loaded ? [volts(metered?.voltage), amps(metered?.current)] : []),
                ].join('\n')}
              />
            );
          })}
        </tbody>
      </table>
    </div>
  );
});

/** A part as the table has room for it: the drawing and the card of the part have the quantities of a load’s law. */
const inTable = (element: Element): Element => (element.kind === 'load' ? withoutCurve(element) : element);

/** Parts up to which the table is nearly whole. */
const mostRoomyParts = 18;

const columns = (figures: number) => ({ '--columns': `3.4rem 4.2rem 6.6rem repeat(${figures},minmax(0,1fr))` });
const without = columns(3);
const withMeters = columns(5);

/** The same object as long as nothing in it changes. */
function useSteady({ network, truth, loaded }: Omit<Props, 'selected'>): Omit<Props, 'selected'> {
  return useMemo(() => ({ network, truth, ...(loaded !== undefined && { loaded }) }), [network, truth, loaded]);
}

interface RowProps {
  readonly element: Element;
  readonly nodes: readonly string[];
  readonly selected: boolean;
  /** A line each: value, true V, I and P, then with the meters in. */
  readonly figures: string;
}

/** A part's row, drawn again only if something in it is printed otherwise. */
const Row = memo(
  function Row({ element, nodes, selected, figures }: RowProps) {
    return (
      <tr className={clsx('border-b border-line/60', selected && 'bg-sunk')}>
        <th scope="row" className="px-1 py-0.5 text-left font-bold">
          {element.id}
        </th>
        <td className="px-1 py-0.5">
          <span className="inline-flex gap-1">
            <NodeBadge node={element.from} nodes={nodes} />
            <NodeBadge node={element.to} nodes={nodes} />
          </span>
        </td>
        {figures.split('\n').map((text, index) => (
          <td
            key={index}
            className={clsx('figures px-1 py-0.5 text-right whitespace-nowrap', index > 3 && 'font-bold text-ochre')}
          >
            {text}
          </td>
        ))}
      </tr>
    );
  },
  (a, b) =>
    a.element === b.element &&
    a.selected === b.selected &&
    a.figures === b.figures &&
    a.nodes.length === b.nodes.length &&
    a.nodes.every((node, index) => node === b.nodes[index]),
);
