import { dialScale, fail, ok, svgText, type Design } from '@usual-drag/core';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { MarksView } from '../drawing/marks-view.tsx';
import { Button } from '../ui/button.tsx';
import { saveText } from '../ui/save-file.ts';
import { ValueField } from '../ui/value-field.tsx';

/** The scale of the finished meter at true size, to print and glue in. */
export function Dial({ design }: { readonly design: Design }) {
  const [radius, setRadius] = useState(60);
  const [sweep, setSweep] = useState(90);
  const scale = useMemo(
    () => dialScale(design.ranges, design.target === 'ammeter' ? 'A' : 'V', radius, sweep),
    [design.ranges, design.target, radius, sweep],
  );
  const between = (least: number, most: number) => (text: string) => {
    const value = Number(text.replace(/[^\d.]/g, ''));
    return value >= least && value <= most ? ok(value) : fail({ message: `From ${least} to ${most}.` });
  };
  return (
    <section aria-label="Scale">
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">Its scale, at true size</h2>
        <ValueField
          label="Radius, mm"
          showLabel
          className="w-24"
          shown={String(radius)}
          read={between(20, 200)}
          onCommit={setRadius}
        />
        <ValueField
          label="Arc, degrees"
          showLabel
          className="w-24"
          shown={String(sweep)}
          read={between(30, 270)}
          onCommit={setSweep}
        />
        <Button
          tone="quiet"
          onClick={() =>
            saveText(svgText(scale, scale.marks, design.title ?? 'Scale', '', 'mm'), 'scale.svg', 'image/svg+xml')
          }
        >
          <Download aria-hidden size={16} /> Scale as SVG
        </Button>
      </div>
      <svg
        role="img"
        aria-label="Scale of the finished meter"
        width={`${scale.width}mm`}
        height={`${scale.height}mm`}
        viewBox={`0 0 ${scale.width} ${scale.height}`}
        className="max-w-full rounded-lg border border-line"
      >
        <MarksView marks={scale.marks} />
      </svg>
      <p className="mt-1 text-[13px] text-soft">
        Print it without fitting to the page, and measure the arc before you glue it in.
      </p>
    </section>
  );
}
