import {
  drawingMarks,
  drawRails,
  formatQuantity,
  meterOnRange,
  svgText,
  type Design,
  type DesignResult,
  type Movement,
} from '@usual-drag/core';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useDisplay } from '../bench/display.ts';
import { MarksView } from '../drawing/marks-view.tsx';
import { fittingScale, Sheet, useSize } from '../drawing/sheet.tsx';
import { Button } from '../ui/button.tsx';
import { saveText } from '../ui/save-file.ts';
import { Segments } from '../ui/segments.tsx';

interface Props {
  readonly design: Design;
  readonly movement: Movement;
  readonly result: DesignResult;
}

/** The finished meter on one of its ranges, fed with exactly its full scale. P and N are its terminals. */
export function MeterDrawing({ design, movement, result }: Props) {
  const resistor = useDisplay((state) => state.resistor);
  const [chosen, setChosen] = useState(0);
  const [ref, room] = useSize();
  const at = Math.min(chosen, result.ranges.length - 1);
  const { network, drawing } = useMemo(() => {
    const ranges = result.ranges.map(({ range }) => range);
    const exact = result.sections.map(({ resistance }) => Number(resistance.toPrecision(5)));
    const made = meterOnRange(design, movement, ranges, exact, at);
    const drawn = drawRails({ network: made, truth: null, spacing: 'even', height: 300, width: room.width });
    return { network: made, drawing: drawn };
  }, [design, movement, result, at, room.width]);
  const marks = drawingMarks(drawing, network, { resistor, halo: false, metered: false });
  const unit = design.target === 'ammeter' ? 'A' : 'V';
  return (
    <section aria-label="Drawing of the finished meter">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h2 className="text-[17px] font-bold">On the range of</h2>
        <Segments
          label="Range that is drawn"
          value={String(at)}
          options={result.ranges.map(({ range }, k) => ({
            value: String(k),
            text: formatQuantity(range, unit, { digits: 4, trim: true }),
          }))}
          onChange={(next) => setChosen(Number(next))}
        />
        <Button
          tone="quiet"
          onClick={() => saveText(svgText(drawing, marks, design.title ?? 'Meter'), 'meter.svg', 'image/svg+xml')}
        >
          <Download aria-hidden size={16} /> SVG
        </Button>
      </div>
      <div ref={ref} className="overflow-x-auto">
        <Sheet
          label="Finished meter"
          width={drawing.width}
          height={drawing.height}
          scale={fittingScale(drawing, { width: room.width, height: drawing.height })}
        >
          <MarksView marks={marks} />
        </Sheet>
      </div>
    </section>
  );
}
