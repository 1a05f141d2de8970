import { findRange, type Instrument, type Range } from '../../instrument/index.ts';
import type { Mark } from '../symbols/mark.ts';
import { arcMarks, arcPath, pointOn, type Arc } from './arc-marks.ts';
import { faceScales, figureAt, halfDivision, scaleOf, type FaceScale } from '../../workshop/index.ts';
import type { FaceWindow, MeterSetting, Needle } from './meter-setting.ts';

/** Distance of each stop from the end of the scale, as a share of full scale. */
const stop = 0.04;

/** Scale in use and its arc, px. */
export interface Dial {
  readonly arc: Arc;
  readonly scale: FaceScale;
  readonly range: Range;
  /** Distances from the pivot between which the needle is drawn. */
  readonly reach: readonly [inner: number, outer: number];
}

interface DrawnDial {
  /** Null if the setting has no scale. */
  readonly dial: Dial | null;
  readonly height: number;
  marks(needle?: Needle): Mark[];
}

const radius = 252;
/** Radians from upright to either end. */
const half = 0.72;
const betweenArcs = 27;
const sizes = { long: 9, short: 5, thick: 1.6, thin: 0.9, text: 12.5, textAway: 17 };

/**
 * Returns the scales of an analogue instrument as flat arcs, the one in use in ink, the others grey.
 *
 * The needle is limited by its stops. The band of the reading is half a division to either side; the band of the expected indication
 * reaches from its lower to its upper limit.
 */
export function dialOf(instrument: Instrument, setting: MeterSetting | null, window: FaceWindow): DrawnDial {
  const scales = faceScales(instrument);
  const pivot = { x: window.x + window.width / 2, y: window.y + radius + 26 };
  const arcOf = (index: number): Arc => ({ pivot, radius: radius - index * betweenArcs, half });
  const lowest = pivot.y - reach(scales.length)[0] * Math.cos(half * (1 + 2 * stop));
  const position = setting && setting.quantity !== 'resistance' ? { ...setting, quantity: setting.quantity } : null;
  const range = position ? findRange(instrument, position.quantity, position.range) : undefined;
  const scale = position ? scaleOf(scales, position) : undefined;
  const used = scale ? scales.indexOf(scale) : -1;
  const dial: Dial | null = scale && range ? { arc: arcOf(used), scale, range, reach: reach(scales.length) } : null;
  return {
    dial,
    height: lowest - window.y + 6,
    marks: (needle) => [
      ...(dial && needle && !needle.isAsked ? bandMarks(dial, needle) : []),
      ...scales.flatMap((one, index) =>
        arcMarks(arcOf(index), one, sizes, index === used || needle?.isAsked ? 'ink' : 'soft'),
      ),
      ...(dial && needle ? needleMarks(dial, needle) : []),
    ],
  };
}

/** Returns the deflection for a value, V or A, as a share of full scale, limited by the stops. */
export const needleShare = (range: Pick<Range, 'fullScale'>, value: number): number =>
  Math.min(1 + stop, Math.max(-stop, value / range.fullScale));

/** Distances from the pivot between which needles and bands are drawn. */
const reach = (count: number): readonly [inner: number, outer: number] => [
  radius - (count - 1) * betweenArcs - 12,
  radius + 10,
];

function bandMarks({ arc, range, scale, reach: [inner, outer] }: Dial, { expected, reading }: Needle): Mark[] {
  const sector = (low: number, high: number, fill: 'line' | 'ochre-soft'): Mark => {
    const [from, to] = [needleShare(range, low), needleShare(range, high)];
    const back = pointOn(arc, to, inner);
    return {
      shape: 'path',
      d: `${arcPath(arc, from, to, outer)}L${back.x} ${back.y}${arcPath(arc, to, from, inner).replace(/^M[^A]*/, '')}Z`,
      fill,
    };
  };
  const limit = halfDivision(scale, range);
  return [
    ...(expected ? [sector(expected.low, expected.high, 'line')] : []),
    ...(reading === null ? [] : [sector(reading - limit, reading + limit, 'ochre-soft')]),
  ];
}

function needleMarks({ arc, range, reach: [inner, outer] }: Dial, { expected, reading }: Needle): Mark[] {
  const line = (value: number, mark: Partial<Extract<Mark, { shape: 'path' }>>): Mark => {
    const share = needleShare(range, value);
    const [from, to] = [pointOn(arc, share, inner), pointOn(arc, share, outer)];
    return { shape: 'path', d: `M${from.x} ${from.y}L${to.x} ${to.y}`, round: true, ...mark };
  };
  return [
    ...(expected ? [line(expected.value, { stroke: 'soft', width: 1.6, dash: '4 3' })] : []),
    ...(reading === null ? [] : [line(reading, { stroke: 'ochre-line', width: 3 })]),
  ];
}

/** Returns the figure of a scale for a value, rounded to a fifth of a division, as a needle is read. */
export function readFigure({ scale, range }: Dial, value: number): number {
  const fifth = scale.fullScale / scale.divisions / 5;
  return Number((Math.round(figureAt(scale, range, value) / fifth) * fifth).toPrecision(9));
}
