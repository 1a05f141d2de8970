import { parseLine, writeLine, type Network } from '@usual-drag/core/network';
import { reduceNet, resistanceNet, sourcesOf } from '@usual-drag/core/reduction';
import { solveUnloaded } from '@usual-drag/core/loading';
import { drawRails, type Arrangement } from '@usual-drag/core/drawing';
import { sketchedNetwork } from '../packages/core/src/test/sketched-network.ts';
import { benchKeystroke } from './keystroke.ts';
import { duration, line, secondsOf } from './measure.ts';

/** A frame of the screen, s. */
const frame = 0.016;

/** A line of 60 parts: read, written, solved, laid out; alone and in the browser. */
export async function benchTyping(): Promise<void> {
  const sketched = sketchedNetwork(12, 60);
  const line60 = writeLine(sketched, { brief: true });
  const parts = sketched.elements.length;
  const drawn = (network: Network, previous?: Arrangement) => {
    const unloaded = solveUnloaded(network);
    const truth = unloaded.ok ? unloaded.value.values : null;
    return drawRails({ network, truth, spacing: 'even', height: 480, width: 750, ...(previous && { previous }) });
  };
  console.log(`\nA network of ${parts} parts, its line of ${line60.length} characters`);
  const arranged = drawn(sketched).arrangement;
  const solved60 = secondsOf(() => solveUnloaded(sketched), 0.5);
  for (const [what, work] of [
    ['laid out anew', () => drawn(sketched)],
    ['laid out after an edit', () => drawn(sketched, arranged)],
    ['line read', () => parseLine(line60, sketched)],
    ['line written', () => writeLine(sketched, { brief: true })],
    ['broken down to one resistance', () => reduceNet(resistanceNet(sketched, sourcesOf(sketched)[0]!))],
  ] as const) {
    const time = secondsOf(work, 0.5);
    line(
      `  ${what} (${duration(time)})`,
      `${(time / solved60).toFixed(2)} × solving it   ${(time / frame).toFixed(2)} of a frame`,
    );
  }
  let flip = false;
  let last = arranged;
  const keystroke = secondsOf(() => {
    flip = !flip;
    const typed = parseLine(flip ? line60.replace(/\b4\.7k/, '47k') : line60, sketched);
    const network = typed.ok ? typed.value : sketched;
    last = drawn(network, last).arrangement;
    return last;
  }, 0.5);
  line(
    `  a keystroke: read, solved, laid out (${duration(keystroke)})`,
    `${(keystroke / frame).toFixed(2)} of a frame of 16 ms`,
  );
  await benchKeystroke(line60, keystroke);
}
