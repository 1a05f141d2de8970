import { fail, ok } from '@usual-drag/core/result';
import { dialRanges } from '@usual-drag/core/workshop';
import { dialScale, svgText } from '@usual-drag/core/drawing';
import { Download } from 'lucide-react';
import { useMemo } from 'react';
import { MarksView } from '../drawing/marks-view.tsx';
import { Button } from '../ui/button.tsx';
import { saveText } from '../ui/save-file.ts';
import { ValueField } from '../ui/value-field.tsx';
import type { SheetProps } from './sheets/sheet-props.ts';

type Props = Omit<SheetProps, 'sides'>;

/** The scale of the finished meter at true size, to print and glue in. */
export function Dial({ project, onEdit }: Props) {
  const { sides, dial, divisions, movementClass } = project;
  const scale = useMemo(
    () => dialScale(dialRanges({ sides }), { ...dial, divisions, movementClass }),
    [sides, dial, divisions, movementClass],
  );
  const field = (key: 'radius' | 'sweep', label: string, least: number, most: number) => (
    <ValueField
      label={label}
      showLabel
      className="w-24"
      shown={String(dial[key])}
      read={(text) => {
        const value = Number(text.replace(',', '.').replace(/[^\d.]/g, ''));
        return value >= least && value <= most ? ok(value) : fail({ message: `From ${least} to ${most}.` });
      }}
      onCommit={(value) => onEdit((now) => ({ ...now, dial: { ...now.dial, [key]: value } }))}
    />
  );
  return (
    <section aria-label="Scale" className="break-inside-avoid">
      <div className="mb-2 flex flex-wrap items-end gap-3 print:hidden">
        <h2 className="pb-1.5 text-[17px] font-bold">Its scale, at true size</h2>
        {field('radius', 'Radius, mm', 20, 200)}
        {field('sweep', 'Arc, degrees', 30, 270)}
        <Button
          tone="quiet"
          onClick={() =>
            saveText(
              svgText(scale, scale.marks, project.title ?? 'Scale', { unit: 'mm' }),
              'scale.svg',
              'image/svg+xml',
            )
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
        className="max-w-full rounded-lg border border-line print:max-w-none print:border-0"
      >
        <MarksView marks={scale.marks} />
      </svg>
      <p className="mt-1 text-[14px] text-soft">
        Print it without fitting to the page; its arc then has a radius of {dial.radius} mm and spans {dial.sweep}°.
        Check this before you glue it in.
      </p>
    </section>
  );
}
