import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Person at this device: a name, no account. It is stored with readings and practice. */
export const usePerson = create<{ readonly person: string }>()(
  persist(() => ({ person: formerName() }), { name: 'usual-drag-person' }),
);

/** Where earlier versions of the page kept it, with what was practised. */
function formerName(): string {
  try {
    const kept = JSON.parse(localStorage.getItem('usual-drag-learner') ?? 'null') as {
      state?: { person?: string };
    } | null;
    return kept?.state?.person ?? '';
  } catch {
    return '';
  }
}
