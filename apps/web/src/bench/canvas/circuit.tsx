import { endsAt, type Network } from '@usual-drag/core/network';
import type { PartStyle, RailDrawing } from '@usual-drag/core/drawing';
import { memo, useMemo, useRef, type KeyboardEvent } from 'react';
import { isDirection, neighbour } from '../../drawing/arrow-keys.ts';
import { PartView } from '../../drawing/part-view.tsx';
import { RailView } from '../../drawing/rail-view.tsx';
import { EndDrag } from './end-drag.tsx';
import { useEditKeys } from './edit-keys.ts';
import { aimAt, land, useEditing } from '../model/editing.ts';
import { useSelection } from '../model/selection.ts';

interface Props {
  readonly drawing: RailDrawing;
  readonly network: Network;
  readonly nodes: readonly string[];
  readonly style: PartStyle;
  readonly selectable: boolean;
  readonly editable: boolean;
}

/** Parts and rails, what is selected of them, and the arrow keys between them. */
export const Circuit = memo(function Circuit({ drawing, network, nodes, style, selectable, editable }: Props) {
  const { parts, rail, hovered, selectPart, selectRail } = useSelection();
  const aimed = useEditing((state) => state.aim);
  const at = useEditing((state) => state.at);
  const group = useRef<SVGGElement>(null);
  const inHand = parts.at(-1) ?? null;
  const first =
    inHand !== null && drawing.parts.some(({ element }) => element.id === inHand)
      ? inHand
      : drawing.parts[0]?.element.id;
  const aiming = editable && aimed !== null;
  const move = (event: KeyboardEvent): void => {
    if (!isDirection(event.key) || aiming) return;
    const next = neighbour(drawing, { part: inHand, rail }, event.key);
    if (!next) return;
    event.preventDefault();
    if (next.part !== undefined) selectPart(next.part);
    else if (next.rail !== undefined) selectRail(next.rail);
    const found = next.part !== undefined ? `[data-part="${next.part}"]` : `[data-rail="${next.rail}"]`;
    group.current?.querySelector<SVGGElement>(found)?.focus();
  };
  return (
    <g ref={group} {...(selectable && { onKeyDown: move })}>
      {drawing.parts.map((part) => (
        <PartView
          key={part.element.id}
          part={part}
          style={style}
          selected={selectable && parts.includes(part.element.id)}
          lit={hovered !== null && (part.element.from === hovered || part.element.to === hovered)}
          reachable={part.element.id === first}
          onSelect={selectable && !aiming ? selectPart : undefined}
        />
      ))}
      {drawing.rails.map((drawnRail, index) => (
        <RailView
          key={`${drawnRail.node} ${nth(drawing, index)}`}
          rail={drawnRail}
          nodes={nodes}
          lit={hovered === drawnRail.node || (aiming && at === drawnRail.node)}
          selected={selectable && rail === drawnRail.node}
          joined={`joins ${endsAt(network, drawnRail.node).join(', ')}`}
          onSelect={aiming ? land : selectable ? selectRail : undefined}
          onHover={hoverRail}
        />
      ))}
      {editable && inHand !== null && parts.length === 1 && <EndDrag drawing={drawing} part={inHand} />}
      {editable && <EditKeys rails={drawing.arrangement.rails.join(' ')} />}
    </g>
  );
});

/** Shows what is joined at the rail that is pointed at, and takes it into an aim that is under way. */
function hoverRail(node: string | null): void {
  useSelection.getState().hover(node);
  if (node !== null && useEditing.getState().aim) aimAt(node);
}

/** A rail of a drawing in strips is there several times: which of them this one is. */
const nth = ({ rails, arrangement }: RailDrawing, index: number): number =>
  rails.length === arrangement.rails.length
    ? 0
    : rails.slice(0, index).filter(({ node }) => node === rails[index]!.node).length;

/** @param rails  names from the top down, with spaces between */
const EditKeys = memo(function EditKeys({ rails }: { readonly rails: string }) {
  useEditKeys(useMemo(() => rails.split(' '), [rails]));
  return null;
});
