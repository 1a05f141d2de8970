import { rangesOf, type Instrument } from '@usual-drag/core/instrument';
import type { Setup } from '@usual-drag/core/loading';
import { Choice } from '../../../ui/choice.tsx';
import type { FreePlace } from '../../model/reading-entry.ts';

interface Props {
  readonly free: FreePlace;
  readonly instrument: Instrument | undefined;
  readonly setups: readonly Setup[];
  readonly place: (next: FreePlace) => void;
}

/** Further facts of a reading without the plan: meters connected with it, the scale of a needle, the sampling rate. */
export function HowRead({ free, instrument, setups, place }: Props) {
  const { quantity, alongside = [], scale, rate } = free;
  const fromSetups = setups.flatMap(({ id, meters }) =>
    meters.map((meter) => ({
      value: `${id} ${meter.id}`,
      text: meters.length === 1 ? `${meter.id} of ${id}` : `${meter.id} of ${id}, its other meters connected`,
      place: { ...meter, alongside: meters.filter((other) => other !== meter) },
    })),
  );
  const scales = instrument?.display === 'analogue' ? rangesOf(instrument, quantity) : [];
  const rates = instrument?.rates ?? [];
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      {fromSetups.length > 0 && (
        <Choice
          label="From a set-up"
          value=""
          missing="From a set-up"
          options={fromSetups}
          onChange={(next) => {
            const found = fromSetups.find(({ value }) => value === next);
            if (found) place(found.place);
          }}
        />
      )}
      {scales.length > 1 && (
        <Choice
          label="Read from the scale of"
          beside="Scale"
          value={scale ?? free.range}
          options={scales.map(({ id }) => ({ value: id, text: id }))}
          onChange={(next) => place(next === free.range ? without(free, 'scale') : { ...free, scale: next })}
        />
      )}
      {rates.length > 0 && (
        <Choice
          label="Rate of reading"
          beside="Rate"
          value={rate ?? ''}
          missing="not given"
          options={rates.map(({ id }) => ({ value: id, text: id }))}
          onChange={(next) => place({ ...free, rate: next })}
        />
      )}
      {alongside.length > 0 && (
        <p className="text-[14px] text-soft">connected with it: {alongside.map(({ id }) => id).join(', ')}</p>
      )}
    </div>
  );
}

function without(free: FreePlace, key: 'scale'): FreePlace {
  const { [key]: _former, ...rest } = free;
  return rest;
}
