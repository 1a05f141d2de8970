import { dialScale } from './dial-scale.ts';
import { svgText } from './svg.ts';

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
  const scale = dialScale([0.025, 0.25, 2.5], 'A', radius, sweep);
  const svg = svgText(scale, scale.marks, 'Scale', '', 'mm');
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

test('ranges that share their figures share an arc, others have their own', () => {
  const shared = dialScale([0.025, 0.25, 2.5], 'A', 60, 90).arcs;
  expect(shared.map(({ ranges, fullScale }) => [ranges, fullScale])).toEqual([[[0.025, 0.25, 2.5], 25]]);
  const apart = dialScale([2.5, 10, 50], 'V', 60, 90).arcs;
  expect(apart.map(({ fullScale }) => fullScale)).toEqual([2.5, 10, 50]);
  expect(apart.map(({ radius }) => radius)).toEqual([60, 50, 40]);
});

test.each([
  [25, [0, 5, 10, 15, 20, 25], 1],
  [10, [0, 2, 4, 6, 8, 10], 0.5],
  [2.5, [0, 0.5, 1, 1.5, 2, 2.5], 0.1],
  [60, [0, 10, 20, 30, 40, 50, 60], 2],
  [500, [0, 100, 200, 300, 400, 500], 20],
])('a scale to %d V has its numbers and divisions in the 1-2-5 sequence', (range, majors, division) => {
  const [arc] = dialScale([range], 'V', 60, 90).arcs;
  expect(arc!.majors).toEqual(majors);
  expect(arc!.minors[0]).toBeCloseTo(division, 9);
  expect(arc!.minors.every((figure) => Math.abs(figure / division - Math.round(figure / division)) < 1e-9)).toBe(true);
});

test('every division stands at its share of the angle, zero at the left', () => {
  const scale = dialScale([10], 'V', 50, 90);
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
