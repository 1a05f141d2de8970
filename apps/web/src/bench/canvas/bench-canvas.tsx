import { nodesOf, type Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { ammeterMarks, axisMarks, sagsIn, type PartStyle } from '@usual-drag/core/drawing';
import { memo, Suspense, useMemo, useState } from 'react';
import { EndHandles } from '../../drawing/end-handles.tsx';
import { MarksView } from '../../drawing/marks-view.tsx';
import { useDrawingGestures } from '../../drawing/gestures.ts';
import { SagPattern, SagView } from '../../drawing/sag-view.tsx';
import { fittingScale } from '../../drawing/fitting.ts';
import { Sheet, useSize } from '../../drawing/sheet.tsx';
import { steadyDrawing } from '../../drawing/steady-drawing.ts';
import type { Zoom } from '../../drawing/zoom.ts';
import { Circuit } from './circuit.tsx';
import { useDisplay } from './display.ts';
import { useRememberDrawn } from './drawn-now.ts';
import { JoinedHere } from './joined-here.tsx';
import { meterLines } from './meter-lines.ts';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Voltmeters, type DrawnSetup } from './voltmeters.tsx';

const Typing = fetchedLater(async () => (await import('./value-typing.tsx')).Typing);

interface Props {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  readonly live?: Readonly<Record<string, string>>;
  /** The live lines are what a meter shows, not what is true. */
  readonly indicated?: boolean;
  /** Parts and rails can be selected. */
  readonly selectable?: boolean;
  /** And be edited. */
  readonly editable?: boolean;
  readonly arrows?: Readonly<Record<string, number | null>>;
  readonly zoom: Zoom;
  /** Explanation of the drawing. */
  readonly legend?: string;
  readonly drawn?: DrawnSetup | null;
}

/** The network as rails, with the meters of a set-up. The drawing is the same through all steps. */
export const BenchCanvas = memo(function BenchCanvas(props: Props) {
  const {
    network,
    truth,
    live,
    selectable = false,
    editable = false,
    arrows,
    indicated = false,
    zoom,
    legend,
    drawn,
  } = props;
  const { spacing, resistor, flow } = useDisplay();
  const [sizeRef, room] = useSize();
  const [draw] = useState(steadyDrawing);
  const nodes = useMemo(() => nodesOf(network), [network]);
  const setup = drawn?.setup;
  const values = drawn?.values ?? null;
  const own = drawn?.lines;
  const lines = useMemo(() => own ?? (setup ? meterLines(setup, values) : {}), [own, setup, values]);
  const drawing = useMemo(
    () =>
      draw(
        {
          network,
          truth,
          loaded: values,
          meters: setup?.meters ?? [],
          spacing,
          ...(live && { live }),
          meterLines: lines,
        },
        room,
      ),
    [draw, network, truth, values, setup?.meters, spacing, room, live, lines],
  );
  const inStrips = drawing.rails.length > drawing.arrangement.rails.length;
  const scale = zoom.chosen ?? fittingScale(drawing, room);
  const halo = drawing.axis !== null;
  const metered = indicated || values !== null;
  const style = useMemo(
    (): PartStyle => ({ resistor, halo, metered, ...(arrows && { arrows: { currents: arrows, flow } }) }),
    [resistor, halo, metered, arrows, flow],
  );
  const marked = drawn?.chosen ?? null;
  const meters = useMemo(
    () => (setup ? { setup, values, chosen: marked, lines } : null),
    [setup, values, marked, lines],
  );
  useRememberDrawn(network, truth, live, style, meters);
  const chosen = drawn?.setup.meters.find((meter) => meter.id === drawn.chosen);
  const ref = useDrawingGestures(zoom, scale, sizeRef);

  return (
    <div className="relative flex min-h-0 min-w-0 grow max-sm:h-76 max-sm:shrink-0 max-sm:grow-0 max-sm:bg-sheet in-data-[whole=true]:max-sm:h-auto in-data-[whole=true]:max-sm:grow">
      <div className="pointer-events-none absolute top-0 right-5 z-10 rounded-md bg-sheet/90 px-1.5">
        <JoinedHere>
          {legend && <p className="text-[13px] text-soft max-sm:hidden">{inStrips ? stripsLegend : legend}</p>}
        </JoinedHere>
      </div>
      <div
        ref={ref}
        data-scale={scale}
        className="drawing relative [contain:layout_paint] min-h-0 min-w-0 grow touch-none overflow-auto max-sm:touch-pan-y in-data-[whole=true]:max-sm:touch-none"
      >
        <Sheet label="Drawing of the network" width={drawing.width} height={drawing.height} scale={scale}>
          <defs>
            <SagPattern />
          </defs>
          {drawing.axis && (
            <g aria-hidden>
              <MarksView marks={axisMarks(drawing.axis, drawing.width)} />
            </g>
          )}
          {drawn && sagsIn(drawing, drawn).map((sag) => <SagView key={sag.meter} {...sag} />)}
          <Circuit
            drawing={drawing}
            network={network}
            nodes={nodes}
            style={style}
            selectable={selectable}
            editable={editable}
          />
          {drawn &&
            drawing.ammeters.map((mark) => (
              <MarksView
                key={mark.id}
                marks={ammeterMarks(mark, {
                  lines: lines[mark.id] ?? [],
                  chosen: mark.id === drawn.chosen,
                  blown: drawn.values?.meters[mark.id]?.state === 'fuse-blown',
                })}
              />
            ))}
          {drawn && chosen?.quantity === 'dc-current' && (
            <EndHandles drawing={drawing} setup={drawn.setup} meter={chosen} onPlace={drawn.onPlace} />
          )}
          {drawn && <Voltmeters drawn={drawn} drawing={drawing} lines={lines} />}
        </Sheet>
        <Suspense>
          {editable && <Typing drawing={drawing} network={network} scale={scale} room={room.width} />}
        </Suspense>
      </div>
    </div>
  );
});

const stripsLegend = 'in strips, read from the left: a rail that is repeated is one node';
