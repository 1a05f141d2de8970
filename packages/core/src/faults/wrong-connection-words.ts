import type { Instrument, Range } from '../instrument/index.ts';
import type { Caution, Meter } from '../loading/index.ts';
import { parseEnd } from '../network/index.ts';
import { amps, ohms } from '../quantity/index.ts';
import type { Probe, WrongConnection } from './connect-wrongly.ts';

/** Facts for the description of a wrong connection. */
export interface Told {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly surge: number | null;
  readonly blows: boolean;
  readonly probe: Probe | null;
}

/** Returns the effect of a wrong connection and the way out, in words. */
export function wordsFor(fault: WrongConnection, told: Told): Omit<Caution, 'about'> {
  const { meter, instrument } = told;
  const { id } = meter;
  const across = meter.quantity === 'dc-voltage';
  const part = across ? '' : parseEnd(meter.ends[0]!)!.element;
  switch (fault) {
    case 'one-point':
      return {
        kind: 'limit',
        message: across
          ? `${id}: both leads are on ${meter.red}, one point: it indicates 0 whatever the circuit does. Put the black lead on the other end of what is to be read.`
          : `${id}: both leads are on ${meter.node} and the circuit is whole: nothing is driven through the meter, it indicates 0. Switch off, lift ${part} off, and put the meter into the gap.`,
      };
    case 'hanging':
      return {
        kind: 'hazard',
        message: across
          ? `${id}: the black lead hangs in the air: the display wanders or stays at 0. That is no proof that the circuit is dead. Put the lead on, and prove the meter on a known source before and after.`
          : `${id}: the black lead hangs in the air: the circuit stays open at ${part}, the meter indicates 0, and the full voltage can be across the gap. De-energise before you put the lead on.`,
      };
    case 'blown-fuse':
      return {
        kind: 'limit',
        message: `${id}: its fuse had blown before: it indicates 0, and the circuit stays open at ${part} for every other meter. Switch off, disconnect, test the fuse out of circuit, and replace it by its own type and rating only.`,
      };
    case 'leads-swapped':
      return instrument.display === 'analogue'
        ? {
            kind: 'hazard',
            message: `${id}: with its leads swapped the needle is driven against its stop and can bend. Lift a lead off at once, then swap the two.`,
          }
        : {
            kind: 'limit',
            message: `${id}: with its leads swapped the display has the other sign. Write the sign down as displayed, or swap the leads: red to the higher point, or to where the current comes from.`,
          };
    case 'across':
      return {
        kind: 'hazard',
        message: `${id} is across ${part} instead of in series: a near short of ${ohms(told.probe!.resistance, 3)}. ${rush(told)} Switch off, remove the leads, open the circuit at ${part} and put the meter into the gap. An ammeter never goes across a supply, a battery or a live conductor.`,
      };
    case 'current-jack':
      return {
        kind: 'hazard',
        message: `${id} is set to volts with its red lead still in the current jack: ${ohms(told.probe!.resistance, 3)} across the two points, and the display says 0. ${rush(told)} Switch off, move the red lead to the V jack, and test the fuse before the meter is trusted with a current again.`,
      };
  }
}

function rush({ surge, blows, probe }: Told): string {
  if (surge === null) return 'Nothing but wire limits the current.';
  const flows = `${amps(Math.abs(surge), 3)} ${blows ? 'rush' : 'run'} through it`;
  if (blows) return `${flows}, its fuse of ${amps(probe!.fuse!, 3)} blows, and from then on it indicates 0.`;
  return probe!.fuse === undefined
    ? `${flows}, and this jack has no fuse.`
    : `${flows}: its fuse of ${amps(probe!.fuse, 3)} holds, and nothing warns you.`;
}
