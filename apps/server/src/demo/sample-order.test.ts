import { checkJob } from '@usual-drag/contract';
import { compareJob, fitFreeNames, partResistances, withoutRepeated } from '@usual-drag/core/job';
import { sampleOrder } from './sample-order.ts';

const [r1, r2, r3, source, volts] = [46.88, 68.21, 99.73, 0.4, 3] as const;
/** Ω in the mA jack, instead of the stated 1.8. */
const burden = 2.4;
/** The meter reads high by this factor. */
const gain = 1.0004;
const parallel = (...ohms: number[]): number => 1 / ohms.reduce((sum, own) => sum + 1 / own, 0);

test('the displays are those of a meter with 2.4 Ω, from closed forms', () => {
  const branch = (own: number, ...others: number[]): number => {
    const all = parallel(own + burden, ...others);
    return (volts * all) / (all + source) / (own + burden);
  };
  const behind = (own: number, other: number): number => {
    const all = parallel(own + burden, other);
    return (volts * all) / (r1 + source + all) / (own + burden);
  };
  const currents = [
    volts / (r1 + r2 + r3 + source + burden),
    volts / (parallel(r1, r2, r3) + source + burden),
    branch(r1, r2, r3),
    branch(r2, r1, r3),
    branch(r3, r1, r2),
    volts / (r1 + parallel(r2, r3) + source + burden),
    behind(r2, r3),
    behind(r3, r2),
  ];
  const shown = sampleOrder.flatMap(({ readings = [] }) =>
    readings.filter(({ quantity }) => quantity === 'dc-current').map(({ observations }) => observations[0]!.shown),
  );
  expect(shown).toEqual(currents.map((amps) => (amps * gain * 1e3).toFixed(2)));
});

test('the circuit in series agrees, the currents in parallel do not close, and R1 and R2 are not consistent', () => {
  const [series, beside] = sampleOrder.map((job) => {
    const compared = compareJob(job);
    if (!compared.ok) throw new Error(compared.fault.message);
    return compared.value;
  });
  expect(new Set(Object.values(series!.readings).map(({ verdict }) => verdict))).toEqual(new Set(['agrees']));
  expect(beside!.sums.map(({ verdict }) => verdict)).toEqual(['does-not-close']);
  expect(partResistances(sampleOrder).map(({ areConsistent }) => areConsistent)).toEqual([false, false, true]);
});

test('a fit to all circuits finds the resistance of the mA jack', () => {
  const fit = fitFreeNames(withoutRepeated(sampleOrder), ['meter:plant-digital:dc-current:500 mA']);
  if (!fit.ok) throw new Error(fit.fault.message);
  expect(fit.value.verdict).toBe('explains');
  const { value, uncertainty } = fit.value.free['meter:plant-digital:dc-current:500 mA']!;
  expect(Math.abs(value! - burden)).toBeLessThan(uncertainty!);
  expect(uncertainty!).toBeLessThan(0.1);
});

test.each(sampleOrder.map((job) => [job.title!, job] as const))('%s is a file that the format accepts', (_, job) => {
  const checked = checkJob(JSON.parse(JSON.stringify(job)));
  expect(checked.ok ? [] : checked.fault).toEqual([]);
});
