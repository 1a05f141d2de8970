import { faultSentence } from '@usual-drag/core/faults';
import { Button } from '../../../ui/button.tsx';
import { Choice } from '../../../ui/choice.tsx';
import { toast } from '../../../ui/toast.ts';
import { useBench } from '../../model/bench-store.ts';
import { anotherBench, hiddenFault, setSimulated, useSimulated } from './simulated.ts';

const benches = [
  { value: '0', text: 'fault-free, within tolerances' },
  { value: '1', text: 'with one hidden fault, easy' },
  { value: '2', text: 'with one hidden fault, harder' },
  { value: '3', text: 'with one hidden fault of any kind' },
] as const;

/** Choice of the bench that replaces the real one for readings. */
export function SimulatedChoice() {
  const jobId = useBench((state) => state.jobId) ?? '';
  const level = useSimulated((all) => all[jobId]?.level ?? 0);
  const tell = (): void => {
    const fault = hiddenFault();
    toast(fault ? `Hidden on the simulated bench: ${faultSentence(fault)}` : 'The simulated bench has no fault.', {
      duration: 15_000,
    });
  };
  return (
    <section aria-label="Simulated bench" className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-3">
      <h3 className="text-[17px] font-bold">Simulated bench</h3>
      <p className="text-[14px] text-soft">
        For practice without hardware: the flask beside the display, or S in its field, takes a reading from it. Parts
        and instruments deviate within their limits, and the last digit fluctuates. Such readings are marked in their
        note.
      </p>
      <Choice
        label="Simulated bench"
        value={String(level) as (typeof benches)[number]['value']}
        options={benches}
        onChange={(next) => setSimulated({ level: Number(next) as 0 | 1 | 2 | 3 })}
      />
      <div className="flex flex-wrap gap-2">
        <Button onClick={anotherBench}>Another bench</Button>
        <Button onClick={tell}>Reveal fault</Button>
      </div>
    </section>
  );
}
