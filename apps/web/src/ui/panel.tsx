import { Suspense, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './button.tsx';
import { Note } from './note.tsx';

/** A part of the screen that is fetched by itself, and may break without taking the rest along. */
export function Panel({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <ErrorBoundary
      fallbackRender={({ error, resetErrorBoundary }) => (
        <Note kind="limit">
          {name} cannot be shown: {error instanceof Error ? error.message : String(error)} The rest of the page works,
          and nothing you typed is lost.{' '}
          <Button onClick={resetErrorBoundary} className="mt-2">
            Try again
          </Button>
        </Note>
      )}
    >
      <Suspense fallback={<p className="grow p-2 text-soft">Fetching it …</p>}>{children}</Suspense>
    </ErrorBoundary>
  );
}
