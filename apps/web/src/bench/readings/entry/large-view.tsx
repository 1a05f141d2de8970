import { Dialog, DialogPanel } from '@headlessui/react';
import type { PlanStep } from '@usual-drag/core/plan';
import { readingOrigin } from '@usual-drag/core/job';
import { Volume2, VolumeX, X } from 'lucide-react';
import { useEffect } from 'react';
import { documentState, useDocuments } from '../../../documents/documents.ts';
import { isTrouble, saveWords } from '../../../documents/save-words.ts';
import { Button } from '../../../ui/button.tsx';
import { useBench } from '../../model/bench-store.ts';
import { useReadingHabits } from '../../model/reading-habits.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';
import { StepCard } from '../plan/step-card.tsx';
import { spokenStep } from '../plan/step-words.ts';
import { shownIn } from '../plan/taken-here.tsx';
import type { Readings } from '../use-readings.ts';
import { VerdictMark } from '../log/verdict.tsx';

/** The step in hand alone on the screen, legible from two metres, spoken by the browser's voice where that is asked for. */
export function LargeView({ readings, step }: { readonly readings: Readings; readonly step: PlanStep }) {
  const network = useBench((state) => state.document.network);
  const { spoken, last } = useReadingEntry();
  const close = (): void => useReadingEntry.setState({ large: false });
  const words = spokenStep(step, network, useReadingHabits().hidesExpected);
  useEffect(() => {
    if (!spoken || !('speechSynthesis' in globalThis)) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(words), { lang: 'en-GB' }));
    return () => speechSynthesis.cancel();
  }, [spoken, words]);
  const newest = readings.readings.findLast((one) => readingOrigin(one) === last?.origin);
  const compared = newest && !newest.struck ? readings.comparedAs(newest) : null;
  return (
    <Dialog open onClose={close} aria-label="Large view" className="relative z-40">
      <DialogPanel className="fixed inset-0 flex flex-col gap-2 overflow-y-auto bg-ground p-4">
        <div className="flex items-center gap-2">
          <p className="min-w-0 grow truncate text-[min(3vh,4.3vw)]" role="status">
            {newest && compared && (
              <>
                {newest.id} <b className="figures text-ochre">{shownIn(newest)}</b> <VerdictMark compared={compared} />
              </>
            )}
          </p>
          <SaveTrouble />
          <Button
            aria-pressed={spoken}
            aria-label="Speak each step"
            title="Speak each step"
            onClick={() => useReadingEntry.setState({ spoken: !spoken })}
          >
            {spoken ? <Volume2 aria-hidden size={22} /> : <VolumeX aria-hidden size={22} />}
          </Button>
          <Button aria-label="Close the large view" title="Close (Escape)" onClick={close}>
            <X aria-hidden size={22} />
          </Button>
        </div>
        <StepCard readings={readings} step={step} large />
      </DialogPanel>
    </Dialog>
  );
}

/** Displays trouble with saving in the large view, which has no header of the page. */
function SaveTrouble() {
  const jobId = useBench((state) => state.jobId);
  const words = useDocuments(({ open }) => {
    const state = jobId === null ? undefined : documentState(open, 'jobs', jobId);
    return state && isTrouble(state) ? saveWords(state) : '';
  });
  return (
    <p role="status" className="max-w-[40%] text-[14px] leading-tight text-ochre empty:hidden">
      {words}
    </p>
  );
}
