import type { Meter, Setup, SetupValues } from '@usual-drag/core/loading';
import { voltmeterMarks, type RailDrawing } from '@usual-drag/core/drawing';
import { LeadHandle } from '../../drawing/lead-handle.tsx';
import { MarksView } from '../../drawing/marks-view.tsx';

/** Additions of a set-up to the drawing, with their commands. */
export interface DrawnSetup {
  readonly setup: Setup;
  readonly values: SetupValues | null;
  /** The meter whose leads can be moved. */
  readonly chosen: string | null;
  /** Lines beside each meter; what it indicates and its resistance if omitted. */
  readonly lines?: Readonly<Record<string, readonly string[]>>;
  readonly onPreview: (meter: Meter) => void;
  readonly onPlace: (meter: Meter) => void;
  readonly onCancel: () => void;
  readonly onChoose: (meter: string) => void;
}

interface Props {
  readonly drawn: DrawnSetup;
  readonly drawing: RailDrawing;
  readonly lines: Readonly<Record<string, readonly string[]>>;
}

/** The set-up's voltmeters, with leads to be moved. */
export function Voltmeters({ drawn, drawing, lines }: Props) {
  return drawing.voltmeters.map((mark) => {
    const meter = drawn.setup.meters.find((m) => m.id === mark.id);
    if (meter?.quantity !== 'dc-voltage') return null;
    return (
      <g key={mark.id} onPointerDown={() => drawn.onChoose(mark.id)}>
        <MarksView marks={voltmeterMarks(mark, { lines: lines[mark.id] ?? [], chosen: mark.id === drawn.chosen })} />
        {(['red', 'black'] as const).map((lead) => {
          const y = lead === 'red' ? mark.yRed : mark.yBlack;
          return (
            <LeadHandle
              key={lead}
              lead={lead}
              meter={meter.id}
              node={meter[lead]}
              x={lead === 'black' && mark.yRed === mark.yBlack ? mark.x - 32 : mark.x}
              y={y}
              side={y < mark.y ? 1 : -1}
              rails={drawing.rails}
              order={drawing.arrangement.rails}
              onPreview={(node) => drawn.onPreview({ ...meter, [lead]: node })}
              onPlace={(node) => drawn.onPlace({ ...meter, [lead]: node })}
              onCancel={drawn.onCancel}
            />
          );
        })}
      </g>
    );
  });
}
