import { formatMeasured, formatPercent, formatQuantity, sumOf } from '@usual-drag/core/quantity';
import { deviationFrom, type Network } from '@usual-drag/core/network';
import { unitOf } from '@usual-drag/core/instrument';
import type { Reading } from '@usual-drag/core/readings';
import { readingOrigin, takeMeasuredValue } from '@usual-drag/core/job';
import clsx from 'clsx';
import { useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { useBench } from '../../model/bench-store.ts';
import { sayUndoable } from '../../model/say-undoable.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';
import type { Readings } from '../use-readings.ts';
import { ReadingBudget } from '../reading-budget.tsx';
import { StrikeForm } from '../log/strike-form.tsx';
import { VerdictMark } from '../log/verdict.tsx';

interface Props {
  readonly readings: Readings;
  /** The readings at this place, the newest last. */
  readonly taken: readonly Reading[];
  readonly large?: boolean;
}

/** Readings taken at this place, their verdicts and commands. */
export function TakenHere({ readings, taken, large = false }: Props) {
  const newest = taken.at(-1);
  if (!newest) return null;
  const compared = readings.comparedAs(newest);
  const unit = unitOf(newest.quantity);
  return (
    <div className={clsx('flex flex-col gap-1', large ? 'text-[min(3.5vh,5.1vw)]' : 'text-[15px]')} role="status">
      <p className="flex flex-wrap items-center justify-between gap-x-3">
        <span>
          <span className="text-soft">{newest.id} </span>
          <b className="figures text-ochre">{shownIn(newest)}</b>
        </span>
        {compared && <VerdictMark compared={compared} />}
      </p>
      {compared && compared.value !== null && compared.expected !== null && !large && (
        <p className="text-[14px] text-soft">
          {formatQuantity(sumOf([compared.value, -compared.expected]), unit, { digits: 3, signed: true })} from
          expected; U {formatQuantity(compared.uncertainty, unit, { digits: 2 })}
          {compared.loading !== null && compared.loading !== 0 && (
            <>, loading {formatQuantity(compared.loading, unit, { digits: 3, signed: true })}</>
          )}
          {compared.corrected !== null && newest.quantity !== 'resistance' && (
            <>
              ; corrected {formatMeasured(compared.corrected, compared.correctedUncertainty, unit)}{' '}
              <ReadingBudget reading={newest} />
            </>
          )}
        </p>
      )}
      {!large && (
        <div className="flex flex-wrap gap-1.5">
          <Button onClick={() => useReadingEntry.setState({ again: readingOrigin(newest) })}>
            Another observation
          </Button>
          <Strike key={newest.id} id={newest.id} />
          {newest.quantity === 'resistance' && compared?.value != null && (
            <Measured reading={newest.element} value={compared.value} />
          )}
        </div>
      )}
    </div>
  );
}

/** The displays of a reading, as they stood. */
export const shownIn = ({ observations }: Reading): string =>
  observations
    .map(({ shown, unit }) => (shown === 'OL' ? shown : `${shown.replace('-', '−')}\u00a0${unit}`))
    .join(', ');

/** Button that asks for the reason and strikes a reading out. */
function Strike({ id }: { readonly id: string }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <StrikeForm id={id} onClose={() => setOpen(false)} />
  ) : (
    <Button aria-label={`Strike ${id} out`} onClick={() => setOpen(true)}>
      Strike out
    </Button>
  );
}

/** Offers a resistance reading as the part's measured value. */
function Measured({ reading: id, value }: { readonly reading: string; readonly value: number }) {
  const edit = useBench((state) => state.edit);
  const part = useBench((state) => partOf(state.document.network, id));
  if (!part) return null;
  const { ratio, within } = deviationFrom(part, value);
  return (
    <span className="flex flex-wrap items-center gap-2">
      {part.measuredResistance === value ? (
        <span className="text-soft">is {id}’s measured value</span>
      ) : (
        <Button
          onClick={() => {
            edit((job) => takeMeasuredValue(job, id, value));
            sayUndoable(`${id} has the measured value ${formatQuantity(value, 'Ω', { digits: 6, trim: true })}.`);
          }}
        >
          Take as measured value
        </Button>
      )}
      <span className="text-[14px]">
        {formatPercent(ratio, { digits: 2, signed: true })}
        {within !== null && (within ? ', within tolerance' : ', outside its tolerance')}
      </span>
    </span>
  );
}

function partOf(network: Network, id: string) {
  const part = network.elements.find((one) => one.id === id);
  return part?.kind === 'resistor' ? part : null;
}
