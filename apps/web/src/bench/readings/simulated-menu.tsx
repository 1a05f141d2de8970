import { faultSentence } from '@usual-drag/core';
import { FlaskConical } from 'lucide-react';
import { ActionMenu } from '../../ui/action-menu.tsx';
import { Button } from '../../ui/button.tsx';
import { toast } from '../../ui/toast.ts';
import { useBench } from '../model/bench-store.ts';
import { anotherBench, hiddenFault, setSimulated, useSimulated } from './simulated.ts';

/** Takes the reading from the simulated bench, and says which bench that is. */
export function SimulatedMenu({ onTake }: { readonly onTake: () => void }) {
  const jobId = useBench((state) => state.jobId) ?? '';
  const level = useSimulated((all) => all[jobId]?.level ?? 0);
  const tell = (): void => {
    const fault = hiddenFault();
    toast(fault ? `Hidden on the simulated bench: ${faultSentence(fault)}` : 'The simulated bench is sound.', {
      duration: 15_000,
    });
  };
  return (
    <div className="flex items-center gap-1.5">
      <Button onClick={onTake} title="Take the reading from the simulated bench">
        <FlaskConical aria-hidden size={16} /> Take it from the simulated bench
      </Button>
      <ActionMenu
        label="Simulated bench"
        actions={[
          { text: 'Sound, inside its tolerances', act: () => setSimulated({ level: 0 }), on: level === 0 },
          { text: 'One hidden fault, plain', act: () => setSimulated({ level: 1 }), on: level === 1 },
          { text: 'One hidden fault, harder', act: () => setSimulated({ level: 2 }), on: level === 2 },
          { text: 'One hidden fault of any kind', act: () => setSimulated({ level: 3 }), on: level === 3 },
          { text: 'Another bench', act: anotherBench },
          { text: 'Tell the hidden fault', act: tell },
        ]}
      >
        {level === 0 ? 'sound' : 'with a fault'}
      </ActionMenu>
    </div>
  );
}
