import { meterOnRange, type WorkedSide } from '@usual-drag/core/workshop';
import { drawingMarks, drawRails, svgText } from '@usual-drag/core/drawing';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useDisplay } from '../bench/canvas/display.ts';
import { MarksView } from '../drawing/marks-view.tsx';
import { fittingScale } from '../drawing/fitting.ts';
import { Sheet, useSize } from '../drawing/sheet.tsx';
import { Button } from '../ui/button.tsx';
import { saveText } from '../ui/save-file.ts';
import { Segments } from '../ui/segments.tsx';
import { rangeText } from './words.ts';

/** The finished meter on one of its ranges, fed with exactly its full scale. P and N are its terminals. */
export function MeterDrawing({ title, sides }: { readonly title: string; readonly sides: readonly WorkedSide[] }) {
  const resistor = useDisplay((state) => state.resistor);
  const [chosen, setChosen] = useState(0);
  const [ref, room] = useSize();
  const positions = useMemo(
    () => sides.flatMap((side) => side.result.ranges.map(({ range }, at) => ({ side, range, at }))),
    [sides],
  );
  const shown = Math.min(chosen, positions.length - 1);
  const { network, drawing } = useMemo(() => {
    const { side, at } = positions[shown]!;
    const ranges = side.result.ranges.map(({ range }) => range);
    const exact = side.result.sections.map(({ resistance }) => Number(resistance.toPrecision(5)));
    const made = meterOnRange(side.design, side.movement, ranges, exact, at);
    const drawn = drawRails({ network: made, truth: null, spacing: 'even', height: 300, width: room.width });
    return { network: made, drawing: drawn };
  }, [positions, shown, room.width]);
  const marks = drawingMarks(drawing, network, { resistor, halo: false, metered: false });
  return (
    <section aria-label="Drawing of the finished meter">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h2 className="text-[17px] font-bold">Range</h2>
        <Segments
          label="Range in the drawing"
          wrap
          value={String(shown)}
          options={positions.map(({ side, range }, k) => ({ value: String(k), text: rangeText(side, range) }))}
          onChange={(next) => setChosen(Number(next))}
        />
        <Button tone="quiet" onClick={() => saveText(svgText(drawing, marks, title), 'meter.svg', 'image/svg+xml')}>
          <Download aria-hidden size={16} /> SVG
        </Button>
      </div>
      <div ref={ref} className="overflow-x-auto" tabIndex={0} role="region" aria-label="Circuit of the meter">
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
