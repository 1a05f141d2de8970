import { dialScale } from './dial-scale.ts';
import { svgText } from './symbols/svg.ts';

const amps = [0.025, 0.25, 2.5].map((range) => ({ unit: 'A' as const, range }));
const volts = (...ranges: number[]) => ranges.map((range) => ({ unit: 'V' as const, range }));
const shape = { radius: 60, sweep: 90, divisions: 50, movementClass: 0.015 };

/** The path of an arc in the text of an SVG: its ends and radius, mm. */
function arcsIn(svg: string): { from: number[]; radius: number; to: number[] }[] {
  return [...svg.matchAll(/d="M([\d.-]+) ([\d.-]+)A([\d.-]+) [\d.-]+ 0 [01] 1 ([\d.-]+) ([\d.-]+)"/g)].map((match) => {
    const [x1, y1, radius, x2, y2] = match.slice(1).map(Number) as [number, number, number, number, number];
    return { from: [x1, y1], radius, to: [x2, y2] };
  });
}

test.each([
  [60, 90],
  [45, 100],
  [38, 240],
])('an arc of %d mm over %d degrees measures true in the file', (radius, sweep) => {
  const scale = dialScale(amps, { ...shape, radius, sweep });
  const svg = svgText(scale, scale.marks, 'Scale', { unit: 'mm' });
  expect(svg).toContain(
    `width="${scale.width}mm" height="${scale.height}mm" viewBox="0 0 ${scale.width} ${scale.height}"`,
  );
  const [arc, ...more] = arcsIn(svg);
  expect(more).toHaveLength(0);
  expect(arc!.radius).toBe(radius);
  // The chord of an arc is 2·r·sin(half of its angle).
  const chord = Math.hypot(arc!.to[0]! - arc!.from[0]!, arc!.to[1]! - arc!.from[1]!);
  expect(chord).toBeCloseTo(2 * radius * Math.sin((sweep / 360) * Math.PI), 1);
  for (const [x, y] of [arc!.from, arc!.to]) {
    expect(Math.hypot(x! - scale.pivot.x, y! - scale.pivot.y)).toBeCloseTo(radius, 1);
    expect(x).toBeGreaterThan(4);
    expect(x).toBeLessThan(scale.width - 4);
  }
});

test('ranges that share their figures share an arc, whatever their unit; others have their own', () => {
  const shared = dialScale(amps, shape).arcs;
  expect(shared.map(({ ranges, fullScale }) => [ranges, fullScale])).toEqual([
    [['25\u00a0mA', '250\u00a0mA', '2.5\u00a0A'], 25],
  ]);
  const apart = dialScale(volts(50, 2.5, 10), shape).arcs;
  expect(apart.map(({ fullScale }) => fullScale)).toEqual([2.5, 10, 50]);
  expect(apart.map(({ radius }) => radius)).toEqual([60, 50, 40]);
  const both = dialScale([...amps, ...volts(2.5, 10)], shape).arcs;
  expect(both.map(({ ranges }) => ranges.length)).toEqual([4, 1]);
});

test('numbers and marks stand at the steps of the scale', () => {
  const [arc] = dialScale(volts(10), shape).arcs;
  expect(arc!.majors).toEqual([0, 2, 4, 6, 8, 10]);
  expect(arc!.minors[0]).toBeCloseTo(0.2, 12);
  expect(arc!.majors.length + arc!.minors.length).toBe(51);
});

test('every division stands at its share of the angle, zero at the left', () => {
  const scale = dialScale(volts(10), { ...shape, radius: 50, divisions: 20 });
  const ticks = scale.marks.filter((mark) => mark.shape === 'path' && /L/.test(mark.d));
  const angles = ticks.map((mark) => {
    const [x, y] = /M([\d.-]+) ([\d.-]+)/
      .exec((mark as { d: string }).d)!
      .slice(1)
      .map(Number) as [number, number];
    return (Math.atan2(x - scale.pivot.x, scale.pivot.y - y) * 180) / Math.PI;
  });
  expect(Math.min(...angles)).toBeCloseTo(-45, 9);
  expect(Math.max(...angles)).toBeCloseTo(45, 9);
  const sorted = [...angles].sort((a, b) => a - b);
  sorted.slice(1).forEach((angle, k) => expect(angle - sorted[k]!).toBeCloseTo(4.5, 9));
});

test('the whole dial lies on the sheet: arcs, numbers and the cross of the pivot', () => {
  for (const sweep of [60, 90, 180, 240, 270]) {
    const scale = dialScale([...amps, ...volts(10)], { ...shape, sweep });
    expect(scale.pivot.y + 3).toBeLessThan(scale.height);
    for (const mark of scale.marks) {
      const [x, y] =
        mark.shape === 'text'
          ? [mark.x, mark.y]
          : (/M([\d.-]+) ([\d.-]+)/
              .exec((mark as { d: string }).d)!
              .slice(1)
              .map(Number) as [number, number]);
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(scale.width);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(scale.height);
    }
    const texts = scale.marks.flatMap((mark) => (mark.shape === 'text' ? [mark.text] : []));
    expect(texts).toEqual(expect.arrayContaining(['class 1.5', 'A\u2002V']));
  }
});
