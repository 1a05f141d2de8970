import { instrumentForJob, type KitInstrument } from '@usual-drag/core/instrument';
import { keepInstrument } from '@usual-drag/core/job';
import { Choice } from '../../../ui/choice.tsx';
import { useBench } from '../../model/bench-store.ts';

/** Takes an instrument of the kit into the job, for the plan to use. */
export function AddInstrument({
  kit,
  first = false,
}: {
  readonly kit: readonly KitInstrument[];
  readonly first?: boolean;
}) {
  const instruments = useBench((state) => state.document.instruments) ?? [];
  const edit = useBench((state) => state.edit);
  const others = kit.filter(({ id, retired }) => !retired && !instruments.some((own) => own.id === id));
  if (others.length === 0) return null;
  return (
    <div className="flex flex-col gap-2">
      {first && <p>Take an instrument of the kit: the plan chooses its ranges.</p>}
      <Choice
        label="Add an instrument of the kit"
        value=""
        missing="Add an instrument of the kit"
        options={others.map(({ id, name }) => ({ value: id, text: name ?? id }))}
        onChange={(id) => {
          const taken = others.find((one) => one.id === id);
          if (taken) edit((job) => keepInstrument(job, instrumentForJob(taken)));
        }}
      />
    </div>
  );
}
