import {
  orderRecordHash,
  recordHash,
  sectionNames,
  type OrderReport,
  type Report,
  type Signature,
} from '@usual-drag/core/report';
import { moment } from './times.ts';

/** Tasks after the last reading. */
export function Restoring({ checks }: { readonly checks: Report['restoring'] }) {
  return (
    <>
      <h2>{sectionNames.restoring}</h2>
      <ul className="checks">
        {checks.map(({ text, done }) => (
          <li key={text} className={done ? 'done' : undefined}>
            {text}
            {done && ': done'}
          </li>
        ))}
      </ul>
    </>
  );
}

interface LinesProps {
  /** Null if the report is not signed. */
  readonly signed: Pick<Signature, 'by' | 'at'> | null;
  /** Name in the job details. */
  readonly expected: string | undefined;
}

/** Lines for the names and dates of who measured and who checked. */
const SignatureLines = ({ signed, expected }: LinesProps) => (
  <div className="sign">
    <p>
      <b>{signed?.by ?? ''}</b>
      Measured by{signed === null && expected !== undefined && ` (${expected})`}
    </p>
    <p>
      <b>{signed === null ? '' : moment(signed.at)}</b>
      Date
    </p>
    <p>
      <b />
      Checked by, date
    </p>
  </div>
);

/** Signers, and the document that they sign. */
export function Signatures({ report }: { readonly report: Report }) {
  const { state, signature, hash, job } = report;
  const signed = state === 'signed' ? signature : null;
  return (
    <section className="together">
      <h2>Signature</h2>
      <SignatureLines signed={signed} expected={job.record?.by} />
      <p className="hash">
        Document (SHA-256 of the job in canonical JSON, RFC 8785): <span className="figures">{hash}</span>
      </p>
      {signed && (
        <p className="hash">
          Record (the same of document, signer, time, sections, ticks{signed.order && ', order'} and calibration notes):{' '}
          <span className="figures">{recordHash(signed)}</span>
        </p>
      )}
    </section>
  );
}

/** Signers of an order, and the documents that they sign. */
export function OrderSignatures({ report }: { readonly report: OrderReport }) {
  const { state, signature, hash, record } = report;
  const signed = state === 'signed' ? signature : null;
  return (
    <section className="together">
      <h2>Signature</h2>
      <SignatureLines signed={signed} expected={record.by} />
      <p className="hash">
        Document (SHA-256 of the list of the circuits’ hashes, each SHA-256 of its job, in canonical JSON, RFC 8785):{' '}
        <span className="figures">{hash}</span>
      </p>
      {signed && (
        <p className="hash">
          Record (SHA-256 of the list of the record hash of each circuit’s signature):{' '}
          <span className="figures">{orderRecordHash(signed)}</span>
        </p>
      )}
    </section>
  );
}
