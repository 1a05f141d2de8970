import type { JobRecord } from '@usual-drag/core/job';
import type { Report, Signature } from '@usual-drag/core/report';
import { moment } from './times.ts';

/** Whose record it is, and whether it is signed. */
export function Head({ report }: { readonly report: Report }) {
  const { title = 'Untitled', record = {} } = report.job;
  return (
    <header>
      <h1>{title}</h1>
      <p className="state">{stateWords(report)}</p>
      <Details record={record} />
    </header>
  );
}

/** The job details that are filled in. */
export function Details({ record }: { readonly record: JobRecord }) {
  const { site, asset, order, by, date, ambient, notes } = record;
  const filled = (
    [
      ['Site', site],
      ['Asset', asset],
      ['Order', order],
      ['By', by],
      ['Date', date],
      ['Ambient', ambient === undefined ? undefined : `${ambient} °C`],
    ] as const
  ).filter(([, value]) => value !== undefined);
  if (filled.length === 0 && notes === undefined) return null;
  return (
    <dl>
      {filled.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
      {notes !== undefined && (
        <div className="notes">
          <dt>Notes</dt>
          <dd className="notes">{notes}</dd>
        </div>
      )}
    </dl>
  );
}

/** Whether a record is signed, by whom and when. */
export function stateWords({ state, signature }: Pick<Report, 'state'> & { readonly signature: AnySignature | null }) {
  if (state === 'draft' || signature === null) return 'Draft: this record has not been signed.';
  const { by, at, hash, order } = signature;
  if (state === 'signed')
    return (
      <>
        Signed by <b>{by}</b> on {moment(at)}
        {order &&
          `, as circuit ${order.circuits.indexOf(hash) + 1} of ${order.circuits.length} of order ${order.number}`}
        . The document is frozen as it was then.
      </>
    );
  return (
    <>
      <b>New draft.</b> This record was signed by {by} on {moment(at)} and has been edited since. The signed document is{' '}
      <span className="figures">{hash.slice(0, 16)}</span>; this one has not been signed.
    </>
  );
}

type AnySignature = Pick<Signature, 'by' | 'at' | 'hash' | 'order'>;
