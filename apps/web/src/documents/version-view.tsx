import type { DocumentKind } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { NetworkPicture } from '../drawing/network-picture.tsx';

interface Props {
  readonly kind: DocumentKind;
  readonly then: unknown;
  readonly now: unknown;
}

/** An earlier version beside the present one, both to be looked at only: a job by its drawing, all else by its text. */
export function VersionView({ kind, then, now }: Props) {
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      <Version title="Then" kind={kind} document={then} />
      <Version title="Now" kind={kind} document={now} />
    </div>
  );
}

function Version({
  title,
  kind,
  document,
}: {
  readonly title: string;
  readonly kind: DocumentKind;
  readonly document: unknown;
}) {
  return (
    <section aria-label={title} className="min-w-0 rounded-xl border border-line p-3">
      <h3 className="font-bold">{title}</h3>
      {kind === 'jobs' && (
        <NetworkPicture network={(document as Job).network} label={`The network, ${title.toLowerCase()}`} />
      )}
      <details open={kind !== 'jobs'}>
        <summary className="text-[14px] text-soft">As text</summary>
        <pre className="figures max-h-[32rem] overflow-auto text-[13px]" tabIndex={0}>
          {JSON.stringify(document, null, 2)}
        </pre>
      </details>
    </section>
  );
}
