import { reduceNet, resistanceNet, sourcesOf, stageNetwork, stepTitle } from '@usual-drag/core/reduction';
import type { Worksheet } from '@usual-drag/core/worksheet';
import { useMemo } from 'react';
import { NetworkPicture } from '../drawing/network-picture.tsx';
import { Button } from '../ui/button.tsx';
import { circuitOfSheet } from './sheet-picture.tsx';
import { useSheet } from './sheet-store.ts';

/** Series and parallel pairs, asked and answered a step at a time, with the circuit redrawn each time. */
export function SheetGroups({ sheet }: { readonly sheet: Worksheet }) {
  const shown = useSheet((state) => state.groups);
  const reduction = useMemo(() => {
    const network = circuitOfSheet(sheet);
    const [source, another] = sourcesOf(network);
    return source && !another ? reduceNet(resistanceNet(network, source)) : null;
  }, [sheet]);
  if (!reduction || reduction.steps.length === 0) return null;
  const { steps, stages } = reduction;
  const at = Math.min(shown, steps.length);
  return (
    <section aria-label="Groups" className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-4">
      <h2 className="text-[17px] font-bold">Find a series or parallel pair</h2>
      <ol className="flex list-decimal flex-col gap-1 pl-7">
        {steps.slice(0, at).map((step, k) => (
          <li key={k}>
            {stepTitle(step)}: as one, {step.into.map(({ id }) => id).join(', ') || 'nothing'}
          </li>
        ))}
      </ol>
      {at > 0 && (
        <NetworkPicture
          network={stageNetwork(reduction, stages[at]!)}
          label={`The circuit after ${at} of ${steps.length} steps`}
          bare
          height={190}
          className="max-h-60"
        />
      )}
      <p role="status">
        {at === steps.length ? 'One resistance is left.' : 'Which two parts are in series or in parallel?'}
      </p>
      <div className="flex gap-2">
        <Button disabled={at === steps.length} onClick={() => useSheet.setState({ groups: at + 1 })}>
          Show the next
        </Button>
        {at > 0 && <Button onClick={() => useSheet.setState({ groups: 0 })}>From the start</Button>}
      </div>
    </section>
  );
}
