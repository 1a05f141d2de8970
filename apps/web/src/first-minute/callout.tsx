import { useLayoutEffect, useRef, useState } from 'react';
import { Button } from '../ui/button.tsx';
import { firstSteps, useFirstMinute } from './first-minute.ts';

interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const cardWidth = 320;

/** The step of the first minute that is shown: a ring about what it is of, and its words beside it. */
export function FirstMinuteCallout() {
  const { step, next, end } = useFirstMinute();
  const shown = step === null ? null : firstSteps[step]!;
  const box = useBoxOf(shown?.target ?? null);
  const button = useRef<HTMLButtonElement>(null);
  const isThere = box !== null;
  useLayoutEffect(() => button.current?.focus(), [step, isThere]);
  if (!shown || !box) return null;
  const beside = box.left > cardWidth + 24;
  const left = beside ? box.left - cardWidth - 16 : Math.min(box.left + 16, window.innerWidth - cardWidth - 12);
  const top = beside ? box.top : Math.min(box.top + 48, window.innerHeight - 240);
  return (
    <>
      <div
        aria-hidden
        className="pointer-events-none fixed z-40 rounded-lg border-4 border-(--ochre-line)"
        style={{ left: box.left - 6, top: box.top - 6, width: box.width + 12, height: box.height + 12 }}
      />
      <div
        role="dialog"
        aria-label={shown.title}
        className="fixed z-40 flex flex-col gap-3 rounded-xl border-2 border-(--ochre-line) bg-sheet p-4 shadow-2xl"
        style={{ left: Math.max(12, left), top: Math.max(56, top), width: cardWidth }}
        onKeyDown={(event) => event.key === 'Escape' && end()}
      >
        <h2 className="text-[18px] font-bold">
          {step! + 1} of {firstSteps.length}: {shown.title}
        </h2>
        <p>{shown.text}</p>
        <div className="flex justify-end gap-2">
          {step! + 1 < firstSteps.length && (
            <Button tone="quiet" onClick={end}>
              Skip
            </Button>
          )}
          <Button ref={button} tone="strong" onClick={next}>
            {step! + 1 < firstSteps.length ? 'Next' : 'Done'}
          </Button>
        </div>
      </div>
    </>
  );
}

/** Returns the position of an element on the screen, as soon as it is there and wherever it moves. */
function useBoxOf(target: string | null): Box | null {
  const [box, setBox] = useState<Box | null>(null);
  useLayoutEffect(() => {
    if (target === null) return;
    let frame = 0;
    let before = '';
    const look = (): void => {
      const element = document.querySelector(target);
      const { left = 0, top = 0, width = 0, height = 0 } = element?.getBoundingClientRect() ?? {};
      const now = [left, top, width, height].join();
      if (element && now !== before) setBox({ left, top, width, height });
      before = now;
      frame = requestAnimationFrame(look);
    };
    look();
    return () => cancelAnimationFrame(frame);
  }, [target]);
  return target === null ? null : box;
}
