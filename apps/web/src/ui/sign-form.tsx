import { useMemo, useRef, useState, type ReactNode } from 'react';
import { Button } from './button.tsx';
import { useCommands, type Command } from './commands.ts';
import { toast } from './toast.ts';

interface Props {
  /** Name that the field has at first. */
  readonly name: string;
  readonly canSign: boolean;
  /** Reason why it cannot be signed, or how much is ticked off. */
  readonly status: string;
  /** If it rejects, the reason is shown as a message; the typed name is kept. */
  readonly onSign: (name: string) => Promise<unknown>;
  /** A note above the field. */
  readonly children?: ReactNode;
}

/** Name of the signer and the button that signs. */
export function SignForm({ name: first, canSign, status, onSign, children }: Props) {
  const [name, setName] = useState(first);
  const [isSigning, setSigning] = useState(false);
  const isReady = canSign && !isSigning && name.trim() !== '';
  const sign = async (): Promise<void> => {
    if (!isReady) return;
    setSigning(true);
    await onSign(name.trim()).catch((fault: Error) => toast.error(`Not signed: ${fault.message}`));
    setSigning(false);
  };
  const field = useRef<HTMLInputElement>(null);
  const commands = useMemo(
    (): Command[] => [{ group: 'Actions', text: 'Sign the report', run: () => field.current?.focus() }],
    [],
  );
  useCommands('sign', commands);
  return (
    <form
      aria-label="Sign"
      className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void sign();
      }}
    >
      {children}
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex min-w-0 grow flex-col text-[14px] text-soft">
          Your name
          <input
            ref={field}
            data-typing="true"
            className="min-h-9 rounded-lg border border-line bg-ground px-2 text-[16px] text-ink pointer-coarse:min-h-11"
            value={name}
            maxLength={64}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button type="submit" tone="strong" disabled={!isReady}>
          Sign
        </Button>
      </div>
      <p className="text-[14px] text-soft">{status}</p>
    </form>
  );
}
