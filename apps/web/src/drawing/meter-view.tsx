import { useDrag } from '@use-gesture/react';
import { readFigure, settingChanges, type Dial, type MeterPicture, type MeterShown } from '@usual-drag/core/drawing';
import { figureAt, valueAt } from '@usual-drag/core/workshop';
import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf, type Instrument } from '@usual-drag/core/instrument';
import { useRef, type KeyboardEvent } from 'react';
import { MarksView } from './marks-view.tsx';

interface Props {
  readonly instrument: Instrument;
  readonly shown: MeterShown;
  /** `meterPicture` of both. */
  readonly picture: MeterPicture;
  /** Takes the value at which the needle was placed, V or A; without it the needle cannot be moved. */
  readonly onPlace?: (value: number) => void;
  readonly className?: string;
}

/** Picture of an instrument as it must be set. The needle of an analogue one is placed by dragging it, or by the arrow keys. */
export function MeterView({ instrument, shown, picture, onPlace, className }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  return (
    <svg
      ref={svg}
      role={picture.dial && onPlace ? 'group' : 'img'}
      aria-label={wordsOf(instrument, shown, picture.dial)}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      className={className}
    >
      <MarksView marks={picture.marks} />
      {picture.dial && onPlace && <NeedleHandle dial={picture.dial} shown={shown} picture={svg} onPlace={onPlace} />}
    </svg>
  );
}

/** Returns the setting in words, for those who do not see the picture. */
function wordsOf(instrument: Instrument, { setting, from, digits, needle }: MeterShown, dial: Dial | null): string {
  if (!setting) return `Face of ${instrument.name ?? instrument.id}`;
  const changes = from ? settingChanges(instrument, from, setting) : [];
  const unit = unitOf(setting.quantity);
  return [
    `${instrument.name ?? instrument.id} set to ${unit}, range ${setting.range}`,
    ...changes.map(({ control, from: before, to }) => `${control}: ${before} → ${to}`),
    ...(digits ? [`display ${digits.text} ${digits.unit}${digits.isExpected ? ', expected' : ''}`] : []),
    ...(needle?.reading == null
      ? []
      : [
          needle.isAsked && dial
            ? `needle at ${readFigure(dial, needle.reading)} on the scale 0–${dial.scale.fullScale}`
            : `needle at ${formatQuantity(needle.reading, unit)}`,
        ]),
  ].join('; ');
}

interface HandleProps {
  readonly dial: Dial;
  readonly shown: MeterShown;
  readonly picture: React.RefObject<SVGSVGElement | null>;
  readonly onPlace: (value: number) => void;
}

/** Steps of a fifth of a division that a key moves the needle by. */
const keySteps: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -25,
  PageUp: 25,
};

/** The whole dial as a slider: a press puts the needle there. */
function NeedleHandle({ dial, shown, picture, onPlace }: HandleProps) {
  const { arc, scale, range } = dial;
  const fifth = scale.fullScale / scale.divisions / 5;
  const present = shown.needle?.reading ?? shown.needle?.expected?.value ?? 0;
  const figure = readFigure(dial, present);
  const place = (wanted: number): void => {
    const within = Math.min(scale.fullScale, Math.max(0, wanted));
    onPlace(valueAt(scale, range, readFigure(dial, valueAt(scale, range, within))));
  };
  const drag = useDrag(
    ({ xy: [clientX, clientY], event }) => {
      event.stopPropagation();
      const matrix = picture.current?.getScreenCTM();
      if (!matrix) return;
      const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
      const angle = Math.atan2(x - arc.pivot.x, arc.pivot.y - y);
      place((angle / arc.half / 2 + 0.5) * scale.fullScale);
    },
    // Keys move it by steps of the scale.
    { pointer: { keys: false } },
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps = keySteps[event.key];
    if (steps === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    place(figure + steps * fifth);
  };
  const unit = shown.setting?.quantity === 'dc-current' ? 'A' : 'V';
  return (
    <path
      {...drag()}
      role="slider"
      tabIndex={0}
      aria-label="Needle"
      aria-valuemin={0}
      aria-valuemax={scale.fullScale}
      aria-valuenow={figure}
      aria-valuetext={`${figure} on 0–${scale.fullScale}, ${formatQuantity(present, unit)}`}
      onKeyDown={onKeyDown}
      d={dialArea(dial)}
      fill="transparent"
      className="cursor-ew-resize touch-none"
    />
  );
}

/** Area of the dial that can be pressed: a little more than the needle's. */
function dialArea({ arc: { pivot, half }, reach: [inner, outer] }: Dial): string {
  const edge = outer + 22;
  const at = (side: 1 | -1, distance: number): string =>
    `${pivot.x + side * distance * Math.sin(half * 1.1)} ${pivot.y - distance * Math.cos(half * 1.1)}`;
  return `M${at(-1, edge)}A${edge} ${edge} 0 0 1 ${at(1, edge)}L${at(1, inner)}A${inner} ${inner} 0 0 0 ${at(-1, inner)}Z`;
}

/** Returns the needle's figure and its value in words: `18.2 on 0–50 = 3.64 V`. */
export const needleWords = ({ scale, range }: Dial, value: number, unit: 'V' | 'A'): string =>
  `${Number(figureAt(scale, range, value).toPrecision(4))} on 0–${scale.fullScale} = ${formatQuantity(value, unit, { digits: 4, trim: true })}`;
