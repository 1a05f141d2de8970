import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Button } from '../ui/button.tsx';
import { groups, useAllCommands } from '../ui/commands.ts';
import { Keys } from './keys.tsx';

/** The keys of what is open. */
export function KeysHelp({ onClose }: { readonly onClose: () => void }) {
  const commands = useAllCommands().filter(({ keys }) => keys !== undefined);
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div aria-hidden className="fixed inset-0 bg-black/30" />
      <div className="fixed inset-x-0 top-[8vh] flex justify-center px-3">
        <DialogPanel className="max-h-[80vh] w-full max-w-3xl overflow-y-auto rounded-xl border border-line bg-sheet p-5 text-ink shadow-2xl">
          <div className="flex items-center justify-between">
            <DialogTitle className="text-[20px] font-bold">Keys on this screen</DialogTitle>
            <Button onClick={onClose} autoFocus>
              Close
            </Button>
          </div>
          <div className="mt-3 columns-1 gap-8 sm:columns-2">
            {groups.map((group) => {
              const members = commands.filter((command) => command.group === group);
              if (members.length === 0) return null;
              return (
                <section key={group} className="mb-4 break-inside-avoid">
                  <h3 className="mb-1 font-bold">{group}</h3>
                  <dl>
                    {members.map(({ text, keys }) => (
                      <div key={text} className="flex justify-between gap-3 border-b border-line/60 py-0.5">
                        <dt>{text}</dt>
                        <dd>
                          <Keys keys={keys!} />
                        </dd>
                      </div>
                    ))}
                  </dl>
                </section>
              );
            })}
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
