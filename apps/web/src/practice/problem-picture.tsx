import { meterOnRange, movementOf, planDesign } from '@usual-drag/core/workshop';
import type { Problem } from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { NetworkPicture } from '../drawing/network-picture.tsx';

/** Picture of a problem: the circuit with its meters, or the finished meter without its values. */
export function ProblemPicture({ problem, className }: { readonly problem: Problem; readonly className?: string }) {
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
  if (job)
    return (
      <NetworkPicture
        network={job.network}
        label="The circuit"
        {...(meters && { meters })}
        {...(className !== undefined && { className })}
      />
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
