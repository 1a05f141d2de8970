import type { Instrument, Range } from '@usual-drag/core/instrument';
import type {
  MeasurementPoint,
  Meter,
  MeterReading,
  RangeOption,
  Setup,
  SetupValues,
  Unloaded,
} from '@usual-drag/core/loading';
import type { CorrectionQuestion } from '@usual-drag/core/readings';
import { keepInstrument, putMeter } from '@usual-drag/core/job';
import { create } from 'zustand';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Panel } from '../../ui/panel.tsx';
import { TabPanels, TabRow } from '../../ui/tabs.tsx';
import { useBench } from '../model/bench-store.ts';
import { Ranges } from './ranges.tsx';
import type { ConnectionTrial } from '../model/use-wrong-connection.ts';

const CorrectReading = fetchedLater(async () => (await import('./correct-reading.tsx')).CorrectReading);
const FaultPanel = fetchedLater(async () => (await import('../faults/fault-panel.tsx')).FaultPanel);
const Ohmmeter = fetchedLater(async () => (await import('./ohmmeter.tsx')).Ohmmeter);
const RequiredResistance = fetchedLater(async () => (await import('./required-resistance.tsx')).RequiredResistance);
const ResistanceFound = fetchedLater(async () => (await import('./resistance-found.tsx')).ResistanceFound);
const Together = fetchedLater(async () => (await import('./together.tsx')).Together);
const WrongConnection = fetchedLater(async () => (await import('./wrong-connection.tsx')).WrongConnectionPanel);

const tabs = [
  { value: 'ranges', text: 'Ranges' },
  { value: 'correct', text: 'Correct' },
  { value: 'required', text: 'Required resistance' },
  { value: 'wrong', text: 'Wrong connection' },
  { value: 'fault', text: 'Fault' },
  { value: 'ohmmeter', text: 'Ohmmeter' },
] as const;
const together = { value: 'together', text: 'Together or apart' } as const;
const resistance = { value: 'resistance', text: 'R from V and I' } as const;

type OpenTab = (typeof tabs)[number]['value'] | 'together' | 'resistance';

/** The tab that is open stays open from meter to meter. */
const useOpenTab = create<{ readonly open: OpenTab }>()(() => ({ open: 'ranges' }));

interface Props {
  readonly setup: Setup;
  readonly shown: Setup;
  readonly meter: Meter;
  readonly instrument: Instrument | undefined;
  readonly range: Range | undefined;
  readonly fitting: readonly Instrument[];
  readonly point: MeasurementPoint | null;
  readonly reading: MeterReading | null;
  /** The corrected value of a display of this meter, V or A. */
  readonly questionAt: (display: number) => CorrectionQuestion | null;
  readonly unloaded: Unloaded;
  /** The same without the fault that is tried. */
  readonly sound: Unloaded;
  readonly values: SetupValues | null;
  readonly trial: ConnectionTrial;
}

/** Consequences of a meter's reading: range, true value, required resistance, wrong connections. */
export function MeterTabs(props: Props) {
  const {
    setup,
    shown,
    meter,
    instrument,
    range,
    fitting,
    point,
    reading,
    questionAt,
    unloaded,
    sound,
    values,
    trial,
  } = props;
  const jobId = useBench((state) => state.jobId) ?? '';
  const edit = useBench((state) => state.edit);
  const instruments = useBench((state) => state.document.instruments) ?? [];
  const asked = useOpenTab((state) => state.open);
  const quantities = new Set(shown.meters.map(({ quantity }) => quantity));
  const options = [
    ...tabs,
    ...(shown.meters.length > 1 ? [together] : []),
    ...(quantities.size > 1 ? [resistance] : []),
  ];
  const open = options.some(({ value }) => value === asked) ? asked : 'ranges';
  const take = ({ instrument: other, range: next }: RangeOption): void =>
    edit((current) =>
      putMeter(keepInstrument(current, other), setup, { ...meter, instrument: other.id, range: next.id }),
    );
  const panels: Record<OpenTab, () => React.ReactNode> = {
    ranges: () => <Ranges meter={meter} instrument={instrument} fitting={fitting} point={point} onTake={take} />,
    correct: () =>
      instrument &&
      range && (
        <CorrectReading
          key={`${meter.id} ${instrument.id}`}
          meter={meter}
          instrument={instrument}
          range={range}
          point={point}
          predicted={reading}
          questionAt={questionAt}
          others={shown.meters.filter(({ id }) => id !== meter.id).map(({ id }) => id)}
        />
      ),
    required: () =>
      range && <RequiredResistance meter={meter} range={range} point={point} reading={reading} kit={fitting} />,
    wrong: () =>
      instrument && <WrongConnection jobId={jobId} sound={sound} meter={meter} instrument={instrument} trial={trial} />,
    fault: () => <FaultPanel jobId={jobId} network={sound.network} />,
    ohmmeter: () => <Ohmmeter unloaded={unloaded} />,
    together: () => <Together unloaded={unloaded} instruments={instruments} setup={shown} />,
    resistance: () =>
      values && (
        <ResistanceFound
          network={unloaded.network}
          setup={shown}
          values={values}
          place={(moved) => edit((current) => putMeter(current, setup, moved))}
        />
      ),
  };
  return (
    <div className="flex flex-col gap-1.5">
      <TabRow
        label={`More about ${meter.id}`}
        narrow
        value={open}
        options={options}
        onChange={(next) => useOpenTab.setState({ open: next })}
      />
      <TabPanels
        value={open}
        options={options}
        panel={(tab) => <Panel name={options.find(({ value }) => value === tab)!.text}>{panels[tab]()}</Panel>}
      />
    </div>
  );
}
