import type { KitInstrument } from '@usual-drag/core/instrument';
import type { Conventions } from '@usual-drag/core/readings';
import { editConventions, usualConventions } from '@usual-drag/core/job';
import { PersonField } from '../../../ui/person-field.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { useDisplay } from '../../canvas/display.ts';
import { useBench } from '../../model/bench-store.ts';
import { useReadingHabits } from '../../model/reading-habits.ts';
import { ValuesChoice } from '../../values-choice.tsx';
import { AddInstrument } from './add-instrument.tsx';
import type { Readings } from '../use-readings.ts';

type Options = {
  readonly [K in keyof Required<Conventions>]: readonly (readonly [Required<Conventions>[K], string])[];
};

const choices: Options = {
  sign: [
    ['keep', 'keep the sign'],
    ['magnitude', 'magnitude alone'],
  ],
  observations: [
    ['mean', 'mean'],
    ['largest', 'largest'],
    ['last', 'last'],
  ],
  firstRange: [
    ['highest', 'highest first'],
    ['expected', 'as expected'],
  ],
  currentLimit: [
    ['just-above', 'just above'],
    ['full', 'full'],
  ],
  supply: [
    ['meter', 'meter'],
    ['posts', 'posts'],
    ['clips', 'clips'],
    ['rated', 'rated'],
  ],
  checks: [
    ['function-leads-range-placement', 'function first'],
    ['leads-function-range-placement', 'leads first'],
  ],
  current: [
    ['conventional', 'conventional'],
    ['electron-flow', 'electron flow'],
  ],
};

const names: Readonly<Record<keyof Conventions, string>> = {
  sign: 'Negative readings',
  observations: 'Several observations',
  firstRange: 'First range',
  currentLimit: 'Current limit of a supply',
  supply: 'The supply gives, by',
  checks: 'Getting the meter ready',
  current: 'Current is counted as',
};

/** Conventions of taking and comparing this job's readings; and their author and instruments. */
export function ConventionsTab({
  readings,
  kit,
}: {
  readonly readings: Readings;
  readonly kit: readonly KitInstrument[];
}) {
  const edit = useBench((state) => state.edit);
  const by = useBench((state) => state.document.record?.by);
  const values = useBench((state) => state.document.network.values) ?? 'nominal';
  const now = { ...usualConventions, ...readings.conventions };
  return (
    <div className="flex flex-col gap-2">
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-1.5">
        {(Object.keys(choices) as (keyof Conventions)[]).map((key) => (
          <div key={key} className="contents">
            <dt className="text-[14px] text-soft">{names[key]}</dt>
            <dd>
              <Segments
                label={names[key]}
                value={now[key]}
                options={choices[key].map(([value, text]) => ({ value: value, text }))}
                onChange={(next) => {
                  edit((job) => editConventions(job, { ...now, [key]: next }));
                  if (key === 'current')
                    useDisplay.setState({ flow: next === 'conventional' ? 'conventional' : 'electron' });
                }}
              />
            </dd>
          </div>
        ))}
      </dl>
      <PersonField
        label="Your name"
        placeholder={by ?? 'a name, for the record'}
        className="w-full max-w-64 [&_input]:min-h-9"
      />
      <Habits />
      <ValuesChoice values={values} />
      <AddInstrument kit={kit} />
    </div>
  );
}

/** Habits of taking readings at this device. */
function Habits() {
  const habits = useReadingHabits();
  return (
    <fieldset className="flex flex-col">
      <legend className="text-[14px] text-soft">On this device</legend>
      <Habit
        text="Stay at a step whose reading does not agree, until it is read twice"
        checked={habits.staysIfDisagreeing}
        onChange={(staysIfDisagreeing) => useReadingHabits.setState({ staysIfDisagreeing })}
      />
      <Habit
        text="Hide the expected value until a reading is kept"
        checked={habits.hidesExpected}
        onChange={(hidesExpected) => useReadingHabits.setState({ hidesExpected })}
      />
    </fieldset>
  );
}

interface HabitProps {
  readonly text: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

const Habit = ({ text, checked, onChange }: HabitProps) => (
  <label className="flex min-h-9 items-center gap-2 pointer-coarse:min-h-11">
    <input
      type="checkbox"
      className="size-5 shrink-0 accent-(--ochre-line)"
      checked={checked}
      onChange={(event) => onChange(event.target.checked)}
    />
    {text}
  </label>
);
