import type { Design, DesignFault, DesignResult } from '@usual-drag/core';
import { useEffect, useState } from 'react';
import { startDesign } from '../workers/design.ts';

/** How a design stands: what came of it, for which design that was, and whether another is being worked out. */
export interface Worked {
  readonly design: Design;
  readonly result: DesignResult | null;
  readonly fault: Pick<DesignFault, 'message'> | null;
}

/** Follows a design; its parts are chosen in a worker, and the former result stays in sight meanwhile. */
export function useDesign(design: Design): { readonly worked: Worked | null; readonly busy: boolean } {
  const [worked, setWorked] = useState<Worked | null>(null);
  useEffect(() => {
    const { result, stop } = startDesign(design);
    let over = false;
    result.then(
      (found) => {
        if (over) return;
        setWorked(
          found.ok ? { design, result: found.value, fault: null } : { design, result: null, fault: found.fault },
        );
      },
      () => {
        if (!over)
          setWorked({
            design,
            result: null,
            fault: { message: 'The search broke off. Change a figure to start it again.' },
          });
      },
    );
    return () => {
      over = true;
      stop();
    };
  }, [design]);
  return { worked, busy: worked?.design !== design };
}
