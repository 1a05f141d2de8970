import { sharesByPart, type Meter } from '@usual-drag/core/loading';
import { showsLive } from '@usual-drag/core/drawing';
import { putMeter } from '@usual-drag/core/job';
import { useMemo } from 'react';
import type { Zoom } from '../drawing/zoom.ts';
import { useAfterPaint } from '../ui/after-paint.ts';
import { BenchCanvas } from './canvas/bench-canvas.tsx';
import { useDisplay } from './canvas/display.ts';
import { currentsThrough, legend, liveLines, shareLines } from './canvas/live-lines.ts';
import { benchNow } from './model/bench-store.ts';
import type { BenchView } from './model/use-bench-view.ts';

interface Props {
  readonly view: BenchView;
  readonly zoom: Zoom;
}

/** The drawing in the role that it has in the open step. */
export function StepCanvas({ view, zoom }: Props) {
  const {
    drawnNetwork: network,
    step,
    inSetups,
    inTrueValues,
    truth,
    loaded,
    shown,
    miswired,
    mapPoints,
    chosen,
    meter,
  } = view;
  const spacing = useDisplay((state) => state.spacing);
  // While the network is edited its drawing comes first; the figures beside the parts follow a frame later.
  const truthLater = useAfterPaint(truth);
  const told = inSetups && loaded ? loaded : step === 'network' ? truthLater : truth;
  const live = useMemo(() => {
    if (mapPoints) return shareLines(sharesByPart(network, mapPoints));
    return told && showsLive(network.elements.length) ? liveLines(told) : undefined;
  }, [mapPoints, network, told]);
  const arrows = useMemo(
    () => (inTrueValues && truth ? currentsThrough(network.elements, truth) : undefined),
    [inTrueValues, truth, network],
  );
  const placed = (next: Meter): void => {
    view.hold(null);
    // A wrong connection is removed first: the job does not keep it.
    if (miswired) return view.trial.tryConnection(null);
    benchNow().edit((current) => putMeter(current, view.setup!, next));
  };
  return (
    <BenchCanvas
      indicated={mapPoints !== null}
      network={network}
      truth={truth}
      zoom={zoom}
      {...(live && { live })}
      {...(arrows && { arrows })}
      legend={
        mapPoints
          ? `loading error of ${chosen} ${meter?.quantity === 'dc-voltage' ? 'across' : 'in series with'} each part`
          : legend(inSetups && loaded !== null, spacing)
      }
      selectable={!inSetups}
      editable={step === 'network'}
      drawn={
        inSetups && shown && !mapPoints
          ? {
              setup: miswired?.setup ?? shown,
              values: loaded,
              chosen,
              onPreview: miswired ? () => undefined : view.hold,
              onCancel: () => view.hold(null),
              onPlace: placed,
              onChoose: view.chooseMeter,
            }
          : null
      }
    />
  );
}
