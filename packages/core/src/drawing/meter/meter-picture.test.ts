import { builtInKit, findRange, type Instrument } from '../../instrument/index.ts';
import type { Mark } from '../symbols/mark.ts';
import { pointOn } from './arc-marks.ts';
import { needleShare, readFigure } from './dial-window.ts';
import { meterPicture, type MeterPicture } from './meter-picture.ts';
import { settingChanges } from './setting-changes.ts';

const kit = (id: string): Instrument => builtInKit.find((one) => one.id === id)!;
const [digital, old] = [kit('digital-2000'), kit('analogue-2k')];

type Text = Extract<Mark, { shape: 'text' }>;
type Path = Extract<Mark, { shape: 'path' }>;
const textsOf = ({ marks }: MeterPicture): Text[] => marks.filter((mark) => mark.shape === 'text');
const pathsOf = ({ marks }: MeterPicture): Path[] => marks.filter((mark) => mark.shape === 'path');

test('every range of every function and every jack is on the face, with the rating of its fuse', () => {
  const words = textsOf(meterPicture(digital, { setting: { quantity: 'dc-voltage', range: '20 V' } })).map(
    ({ text }) => text,
  );
  for (const { ranges } of digital.functions!) for (const { id } of ranges) expect(words).toContain(id);
  for (const word of ['COM', 'V', 'mA', '10 A', 'fuse 250\u00a0mA', 'fuse 10\u00a0A']) expect(words).toContain(word);
});

test('the range that is set is the only filled one', () => {
  const picture = meterPicture(digital, { setting: { quantity: 'dc-voltage', range: '20 V' } });
  expect(textsOf(picture).filter(({ tone }) => tone === 'sheet')).toMatchObject([{ text: '20 V', bold: true }]);
  const unknown = meterPicture(digital, { setting: { quantity: 'dc-voltage', range: 'gone' } });
  expect(textsOf(unknown).filter(({ tone }) => tone === 'sheet')).toEqual([]);
});

test('the red lead is at the jack of the range, the black one at COM', () => {
  const heightOf = (picture: MeterPicture, name: string): number =>
    textsOf(picture).find(({ text, bold, mono, x }) => text === name && bold && !mono && x > 390)!.y;
  const signOf = (picture: MeterPicture, sign: string): number => textsOf(picture).find(({ text }) => text === sign)!.y;
  for (const [quantity, range, jack] of [
    ['dc-voltage', '20 V', 'V'],
    ['dc-current', '20 mA', 'mA'],
    ['dc-current', '10 A', '10 A'],
  ] as const) {
    const picture = meterPicture(digital, { setting: { quantity, range } });
    expect(Math.abs(signOf(picture, '+') - heightOf(picture, jack))).toBeLessThan(16);
    expect(Math.abs(signOf(picture, '−') - heightOf(picture, 'COM'))).toBeLessThan(16);
  }
});

test('a change is drawn with arrows and said in words, the lead first; the same setting has none', () => {
  const setting = { quantity: 'dc-current', range: '20 mA' } as const;
  const from = { quantity: 'dc-voltage', range: '20 V' } as const;
  const arrows = (picture: MeterPicture): Path[] => pathsOf(picture).filter(({ d }) => d.includes('Q'));
  expect(arrows(meterPicture(digital, { setting, from }))).toHaveLength(2);
  expect(arrows(meterPicture(digital, { setting, from: { ...setting, range: '2 mA' } }))).toHaveLength(1);
  expect(arrows(meterPicture(digital, { setting, from: setting }))).toHaveLength(0);
  expect(settingChanges(digital, from, setting)).toEqual([
    { control: 'red lead', from: 'V', to: 'mA' },
    { control: 'function', from: 'V', to: 'A' },
    { control: 'range', from: '20 V', to: '20 mA' },
  ]);
  expect(settingChanges(digital, setting, setting)).toEqual([]);
});

test('a display has digits and unit, those that are only expected in grey; without digits it is blank or left out', () => {
  const setting = { quantity: 'dc-voltage', range: '20 V' } as const;
  const with_ = (isExpected: boolean) =>
    textsOf(meterPicture(digital, { setting, digits: { text: '6.36', unit: 'V', isExpected } })).find(
      ({ text }) => text === '6.36',
    );
  expect([with_(true)!.tone, with_(false)!.tone]).toEqual(['soft', 'ochre']);
  const [none, blank] = [meterPicture(digital, { setting }), meterPicture(digital, { setting, digits: null })];
  expect(blank.height).toBeGreaterThan(none.height + 40);
});

describe('the needle', () => {
  const setting = { quantity: 'dc-voltage', range: '10 V' } as const;
  const range = findRange(old, 'dc-voltage', '10 V')!;
  const needleOf = (reading: number): readonly [number, number, number, number] => {
    const picture = meterPicture(old, { setting, needle: { expected: null, reading } });
    const path = pathsOf(picture).find(({ stroke, width }) => stroke === 'ochre-line' && width === 3)!;
    return path.d.match(/-?[\d.]+(?:e-?\d+)?/g)!.map(Number) as unknown as [number, number, number, number];
  };

  test.each([0, 1.3, 3.64, 5, 9.9, 10])('points at %d V from its pivot', (volts) => {
    const { dial } = meterPicture(old, { setting });
    const { pivot, half } = dial!.arc;
    const [x1, y1, x2, y2] = needleOf(volts);
    const angle = Math.atan2(x2 - x1, y1 - y2);
    expect(angle).toBeCloseTo(half * (2 * (volts / 10) - 1), 9);
    // It lies on a ray from the pivot.
    expect(Math.atan2(x1 - pivot.x, pivot.y - y1)).toBeCloseTo(angle, 9);
  });

  test('stops a little beyond either end of the scale', () => {
    expect(needleShare(range, 30)).toBe(needleShare(range, 11));
    expect(needleShare(range, 30)).toBeGreaterThan(1);
    expect(needleShare(range, -4)).toBe(needleShare(range, -1));
    expect(needleShare(range, -4)).toBeLessThan(0);
  });

  test('has half a division to either side as its band', () => {
    const { dial } = meterPicture(old, { setting });
    const picture = meterPicture(old, { setting, needle: { expected: null, reading: 5 } });
    const band = pathsOf(picture).find(({ fill }) => fill === 'ochre-soft')!;
    const [x, y] = band.d.match(/-?[\d.]+/g)!.map(Number) as [number, number];
    const { pivot, half, radius } = dial!.arc;
    const share = (Math.atan2(x - pivot.x, pivot.y - y) / half + 1) / 2;
    expect(share).toBeCloseTo(0.5 - 0.5 / dial!.scale.divisions, 9);
    expect(Math.hypot(x - pivot.x, y - pivot.y)).toBeGreaterThan(radius);
  });

  test('is read to a fifth of a division', () => {
    const { dial } = meterPicture(old, { setting });
    expect(readFigure(dial!, 3.637)).toBeCloseTo(3.64, 12);
    expect(dial!.scale.fullScale / dial!.scale.divisions / 5).toBeCloseTo(0.04, 12);
  });

  test('that is asked for has no band, and all scales are in ink', () => {
    const picture = meterPicture(old, { setting, needle: { expected: null, reading: 5, isAsked: true } });
    expect(pathsOf(picture).filter(({ fill }) => fill === 'ochre-soft')).toEqual([]);
    const figures = textsOf(picture).filter(({ size, mono }) => size === 12.5 && !mono);
    expect(new Set(figures.map(({ tone }) => tone))).toEqual(new Set(['ink']));
  });

  test('the scale in use is in ink, the others are grey', () => {
    const inked = textsOf(meterPicture(old, { setting }))
      .filter(({ tone, mono, size }) => tone === 'ink' && !mono && size === 12.5)
      .map(({ text }) => text);
    expect(inked).toEqual(['0', '2', '4', '6', '8', '10']);
  });
});

test('a point at a share of an arc is at that distance from its pivot', () => {
  const arc = { pivot: { x: 10, y: 20 }, radius: 5, half: 1 };
  for (const share of [0, 0.3, 1]) {
    const { x, y } = pointOn(arc, share, 7);
    expect(Math.hypot(x - 10, y - 20)).toBeCloseTo(7, 12);
  }
});

test('everything is within the picture, for every setting of the kit', () => {
  let settings = 0;
  for (const instrument of builtInKit)
    for (const { quantity, ranges } of instrument.functions ?? [])
      for (const { id } of ranges) {
        const needle = { expected: null, reading: 1e9 };
        const { width, height, marks } = meterPicture(instrument, { setting: { quantity, range: id }, needle });
        for (const mark of marks)
          if (mark.shape === 'text') {
            const wide = mark.text.length * mark.size * 0.55;
            const left = mark.anchor === 'middle' ? mark.x - wide / 2 : mark.anchor === 'end' ? mark.x - wide : mark.x;
            expect(left).toBeGreaterThanOrEqual(0);
            expect(left + wide).toBeLessThanOrEqual(width);
            expect(mark.y).toBeLessThan(height);
          }
        settings += 1;
      }
  expect(settings).toBeGreaterThan(30);
});
