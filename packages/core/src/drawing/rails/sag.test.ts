import type { Instrument } from '../../instrument/index.ts';
import { solveSetup, solveUnloaded, type Setup } from '../../loading/index.ts';
import { nodesOf, type Network } from '../../network/index.ts';
import { read } from '../../test/read-line.ts';
import { sketchedNetwork } from '../../test/sketched-network.ts';
import { drawRails, type RailDrawing } from './rail-drawing.ts';
import { sagOf, sagTextSize, type Sag } from './sag.ts';
import { textWidth } from '../symbols/text-width.ts';

const figure = '−89.9 mV';
const heavy: Instrument = {
  id: 'heavy',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 500 }] },
    { quantity: 'dc-current', ranges: [{ id: '10 mA', fullScale: 0.01, resistance: 10 }] },
  ],
};
const live = '12.34 V · 12.34 mA';

/** A network to scale with a meter from `red` to `black`, and the sag of its red lead's rail. */
function sagged(network: Network, red: string, black: string, more: Setup['meters'] = []): [RailDrawing, Sag | null] {
  const meters: Setup['meters'] = [
    { id: 'V1', instrument: 'heavy', quantity: 'dc-voltage', range: '10 V', red, black },
    ...more,
  ];
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const solved = solveSetup(unloaded.value, [heavy], { id: 'S', meters });
  if (!solved.ok) throw new Error(solved.fault.code);
  const drawing = drawRails({
    network,
    truth: unloaded.value.values,
    loaded: solved.value,
    meters,
    spacing: 'scale',
    height: 420,
    width: 700,
    live: Object.fromEntries(network.elements.map(({ id }) => [id, live])),
    meterLines: { V1: ['5.91 V', '20 kΩ'] },
  });
  return [drawing, sagOf(drawing, drawing.voltmeters[0]!, red, figure)];
}

/** Labels that the figure is written on. */
function touched({ parts }: RailDrawing, { text: { x, y, anchor } }: Sag): string[] {
  const width = textWidth(figure, sagTextSize, 'mono');
  const left = anchor === 'end' ? x - width : x;
  return parts
    .filter(({ label, ySymbol }) => {
      const half = (label.lines.length * label.size * 1.2) / 2;
      return (
        left < label.x + label.width &&
        label.x < left + width &&
        y - sagTextSize * 0.8 < ySymbol + half &&
        ySymbol - half < y + sagTextSize * 0.25
      );
    })
    .map(({ element }) => element.id);
}

test('beside a live label that reaches to the rail, the figure moves out of its way', () => {
  const network = read('E1 6V/0R5: W1 link + R1 680');
  const [drawing, sag] = sagged(network, 'B', '0', [
    { id: 'A1', instrument: 'heavy', quantity: 'dc-current', range: '10 mA', node: 'A', ends: ['W1.from'] },
  ]);
  expect(sag).not.toBeNull();
  expect(touched(drawing, sag!)).toEqual([]);
  // It is the dimension of that rail's band.
  const rail = drawing.rails.find(({ node }) => node === 'B')!;
  expect([sag!.top, sag!.bottom].sort()).toEqual([rail.y, rail.ghostY].sort());
});

test('where the meters do not move the rail there is no sag', () => {
  expect(sagged(read('E1 6V: R1 680 + R2 680'), 'A', '0')[1]).toBeNull();
});

test('in 300 networks to scale no figure is on a label', () => {
  const wrong: string[] = [];
  let sags = 0;
  for (let seed = 1; seed <= 300; seed += 1) {
    const network = sketchedNetwork(seed, 3 + (seed % 18));
    const nodes = nodesOf(network);
    const [drawing, sag] = sagged(network, nodes[seed % nodes.length]!, nodes[(seed + 1) % nodes.length]!);
    if (!sag) continue;
    sags += 1;
    const on = touched(drawing, sag);
    if (on.length > 0) wrong.push(`${seed}: ${on.join(', ')}`);
  }
  expect(sags).toBeGreaterThan(60);
  expect(wrong).toEqual([]);
});
