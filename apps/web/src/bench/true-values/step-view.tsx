import { formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf, type Network } from '@usual-drag/core/network';
import { stageNetwork, stepTitle, type Reduction } from '@usual-drag/core/reduction';
import { solveUnloaded } from '@usual-drag/core/loading';
import { drawRails, type Arrangement, type RailDrawing } from '@usual-drag/core/drawing';
import { useMemo } from 'react';
import { PartView } from '../../drawing/part-view.tsx';
import { RailView } from '../../drawing/rail-view.tsx';
import { useDisplay } from '../canvas/display.ts';

interface Props {
  readonly network: Network;
  readonly reduction: Reduction;
  /** The step that is shown, counted from 1; 0 is the network as drawn. */
  readonly place: number;
}

/** One step: the network before it with the parts that are replaced, and after it with their replacement. */
export function StepView({ network, reduction, place }: Props) {
  const drawings = useMemo(() => stageDrawings(reduction), [reduction]);
  const nodes = useMemo(() => colourOrder(network, reduction), [network, reduction]);
  const step = reduction.steps[place - 1];
  const next = reduction.steps[place];
  const ids = (parts: readonly { readonly id: string }[] | undefined): string[] => (parts ?? []).map(({ id }) => id);
  const smallest = step?.rule === 'parallel' ? Math.min(...step.parts.map((part) => part.resistance)) : null;
  return (
    <figure aria-label={`Step ${place}`} className="flex flex-col gap-2">
      <div className="flex items-stretch gap-2">
        {step ? (
          <>
            <Stage drawing={drawings[place - 1]!} nodes={nodes} marked={ids(step.parts)} label="before" />
            <span aria-hidden className="self-center text-[28px] text-soft">
              →
            </span>
            <Stage drawing={drawings[place]!} nodes={nodes} marked={ids(step.into)} label="after" />
          </>
        ) : (
          <Stage drawing={drawings[0]!} nodes={nodes} marked={ids(next?.parts)} label="as drawn" />
        )}
      </div>
      <figcaption className="rounded-lg bg-sunk px-3.5 py-2.5">
        <p className="font-bold">{step ? `${place}. ${stepTitle(step)}` : 'As drawn: which parts combine first?'}</p>
        {step?.formulas.map((formula) => (
          <p key={formula} className="figures text-[16px] leading-relaxed">
            {formula}
          </p>
        ))}
        {smallest !== null && (
          <p className="text-[14px] text-soft">
            Smaller than the smallest of them, {formatQuantity(smallest, 'Ω', { trim: true })}, as always in parallel.
          </p>
        )}
      </figcaption>
    </figure>
  );
}

interface StageProps {
  readonly drawing: RailDrawing;
  readonly nodes: readonly string[];
  readonly marked: readonly string[];
  readonly label: string;
}

function Stage({ drawing, nodes, marked, label }: StageProps) {
  const resistor = useDisplay((state) => state.resistor);
  const style = useMemo(() => ({ resistor }), [resistor]);
  return (
    <svg
      role="img"
      aria-label={`The network ${label}`}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className="h-64 min-w-0 flex-1 rounded-lg border border-line bg-sheet"
    >
      {drawing.parts.map((part) => (
        <PartView key={part.element.id} part={part} style={style} selected={marked.includes(part.element.id)} />
      ))}
      {drawing.rails.map((rail) => (
        <RailView key={rail.node} rail={rail} nodes={nodes} />
      ))}
    </svg>
  );
}

/** Every stage drawn so that what a step does not touch stays where it was. */
function stageDrawings(reduction: Reduction): RailDrawing[] {
  let previous: Arrangement | undefined;
  return reduction.stages.map((stage) => {
    const staged = stageNetwork(reduction, stage);
    const solved = solveUnloaded(staged);
    const drawing = drawRails({
      network: staged,
      truth: solved.ok ? solved.value.values : null,
      spacing: 'even',
      height: 220,
      width: 400,
      ...(previous && { previous }),
    });
    previous = drawing.arrangement;
    return drawing;
  });
}

/** The network's nodes, then the centres of stars that the steps bring, so that every node keeps its colour. */
function colourOrder(network: Network, { stages }: Reduction): string[] {
  return [...new Set([...nodesOf(network), ...stages.flatMap((stage) => stage.flatMap(({ from, to }) => [from, to]))])];
}
