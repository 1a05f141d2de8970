import { basePath } from '../api/base-path.ts';
import type { FallbackProps } from 'react-error-boundary';
import { Button } from '../ui/button.tsx';

/** In place of a page that a fault of ours has stopped. */
export function Broken({ error }: FallbackProps) {
  return (
    <main className="mx-auto flex max-w-2xl flex-col items-start gap-4 px-6 py-16">
      <h1 className="text-[26px] font-bold">This page has stopped</h1>
      <p>
        This is a fault of the application, not of your job. Nothing you typed is lost: it is saved, or stored in this
        browser until it is.
      </p>
      <p className="figures text-[14px] text-soft">{error instanceof Error ? error.message : String(error)}</p>
      <div className="flex gap-2">
        <Button tone="strong" onClick={() => location.reload()}>
          Load it again
        </Button>
        <Button onClick={() => location.assign(basePath())}>To the list of jobs</Button>
      </div>
    </main>
  );
}
