import { PersonField } from '../ui/person-field.tsx';
import { useWaiting } from './hand-in.ts';

/** Your name. Without a name nothing is kept. */
export function WhoPractises() {
  const waiting = useWaiting((state) => state.waiting.length);
  return (
    <div className="flex items-end gap-2">
      <PersonField label="Your name" placeholder="a name, to keep it" />
      <p role="status" className="pb-1.5 text-[13px] text-soft">
        {waiting > 0 && `${waiting} to be sent`}
      </p>
    </div>
  );
}
