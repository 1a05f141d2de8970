import { meterOnRange, movementOf, planDesign } from '@usual-drag/core/workshop';
import type { Problem } from '@usual-drag/core/practice';
import { meterPicture, type MeterShown } from '@usual-drag/core/drawing';
import { useMemo } from 'react';
import { MeterView } from '../drawing/meter-view.tsx';
import { NetworkPicture } from '../drawing/network-picture.tsx';

/** Face of the instrument if a question is about it, with the needle that is to be read. */
function FaceInQuestion({ problem: { job, asks } }: { readonly problem: Problem }) {
  const meter = job?.setups?.[0]?.meters[0];
  const instrument = job?.instruments?.find(({ id }) => id === meter?.instrument);
  const needle = asks.flatMap(({ of }) => (of.what === 'needle' ? [of.shown] : []))[0];
  const asksOfJack = asks.some(({ of }) => of.what === 'jack');
  const shown = useMemo(
    (): MeterShown | null =>
      meter && needle !== undefined
        ? {
            setting: { quantity: meter.quantity, range: meter.range },
            needle: { expected: null, reading: needle, isAsked: true },
          }
        : asksOfJack
          ? { setting: null }
          : null,
    [meter, needle, asksOfJack],
  );
  const picture = useMemo(() => shown && instrument && meterPicture(instrument, shown), [shown, instrument]);
  if (!picture || !shown || !instrument) return null;
  return <MeterView instrument={instrument} shown={shown} picture={picture} className="w-full max-w-lg" />;
}

interface Props {
  readonly problem: Problem;
  readonly className?: string;
  /** A small picture, without values. */
  readonly bare?: boolean;
}

/** Picture of a problem: the circuit with its meters, or the finished meter without its values. */
export function ProblemPicture({ problem, className, bare = false }: Props) {
  const { job, design } = problem;
  const finished = useMemo(() => {
    const movement = design && movementOf(design.movement);
    const plan = design && movement?.ok ? planDesign(design, movement.value) : null;
    if (!design || !movement?.ok || !plan?.ok) return null;
    const ranges = plan.value.ranges.map(({ range }) => range);
    const sections = plan.value.sections.map(({ resistance }) => resistance);
    return meterOnRange(design, movement.value, ranges, sections, 0);
  }, [design]);
  const meters = job?.setups?.[0]?.meters;
  const asksOfJack = problem.asks.some(({ of }) => of.what === 'jack');
  const asksOfNeedle = problem.asks.some(({ of }) => of.what === 'needle');
  if (job)
    return (
      <>
        {/* A needle is read without the circuit; a small picture has room for one of the two. */}
        {!asksOfNeedle && !(bare && asksOfJack) && (
          <NetworkPicture
            network={job.network}
            label="The circuit"
            bare={bare}
            {...(bare && { height: 200 })}
            {...(meters && { meters })}
            {...(className !== undefined && { className })}
          />
        )}
        <FaceInQuestion problem={problem} />
      </>
    );
  return (
    finished && (
      <NetworkPicture
        network={finished}
        label="The finished meter"
        bare
        {...(className !== undefined && { className })}
      />
    )
  );
}
