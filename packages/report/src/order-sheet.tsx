import type { PartResistances, ResistanceEvidence } from '@usual-drag/core/job';
import { formatMeasuredValue, formatQuantity, ohms } from '@usual-drag/core/quantity';
import type { OrderReport } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';
import { Details, stateWords } from './head.tsx';
import { Instruments } from './instruments.tsx';
import { Meaning } from './meaning.tsx';
import { Sections } from './report-sheet.tsx';
import { OrderSignatures, Restoring } from './signing.tsx';

interface Props {
  readonly report: OrderReport;
  /** Of the circuits, in their sequence, each as the text of an SVG file. */
  readonly drawings: readonly string[];
}

export const orderTitle = ({ record }: OrderReport): string => (record.order ? `Order ${record.order}` : 'Order');

/** Printed report of an order: job details, parts, instruments and signature once, the other sections for each circuit. */
export function OrderSheet({ report, drawings }: Props) {
  const { record, circuits, parts, instruments, restoring } = report;
  const [first] = circuits;
  return (
    <article className="report">
      <header>
        <h1>{orderTitle(report)}</h1>
        <p className="state">{stateWords(report)}</p>
        <Details record={record} />
      </header>
      <section className="together">
        <h2>Circuits</h2>
        <ol>
          {circuits.map(({ job, hash: own }) => (
            <li key={own}>
              {job.title ?? 'Untitled'} <span className="small figures">{own.slice(0, 16)}</span>
            </li>
          ))}
        </ol>
      </section>
      <section className={parts.length <= 12 ? 'together' : undefined}>
        <h2>Parts, from every circuit</h2>
        <PartsTable parts={parts} circuits={circuits.length} />
      </section>
      {circuits.map((circuit, index) => (
        <div key={circuit.hash} className="circuit">
          <h1>
            {index + 1} {circuit.job.title ?? 'Untitled'}
          </h1>
          {circuit.job.record?.notes && <p>{circuit.job.record.notes}</p>}
          <Sections report={circuit} drawing={drawings[index]!} />
        </div>
      ))}
      <section>
        <Instruments instruments={instruments} />
      </section>
      <section className="together">
        <Restoring checks={restoring} />
      </section>
      {first && <Meaning conventions={first.job.conventions ?? {}} values={first.network.values ?? 'nominal'} />}
      <OrderSignatures report={report} />
    </article>
  );
}

function PartsTable({ parts, circuits }: { readonly parts: readonly PartResistances[]; readonly circuits: number }) {
  return (
    <>
      <Frame label="Parts, from every circuit">
        <table>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" className="n">
                Marked
              </th>
              <th scope="col" className="n">
                Ohmmeter
              </th>
              {Array.from({ length: circuits }, (_, index) => (
                <th key={index} scope="col" className="n">
                  V/I, circuit {index + 1}
                </th>
              ))}
              <th scope="col" className="n">
                Together
              </th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody>
            {parts.map(({ part, nominal, evidence, mean, areConsistent }) => (
              <tr key={part}>
                <th scope="row">{part}</th>
                <td className="n">{ohms(nominal)}</td>
                <td className="n">
                  <Value of={evidence.find(({ by }) => by === 'ohmmeter')} />
                </td>
                {Array.from({ length: circuits }, (_, circuit) => (
                  <td key={circuit} className="n">
                    <Value of={evidence.find((one) => one.circuit === circuit && one.by === 'voltage-and-current')} />
                  </td>
                ))}
                <td className="n">
                  <b>
                    <Value of={mean} />
                  </b>
                </td>
                <td>{areConsistent === null ? '' : areConsistent ? 'consistent' : <b>not consistent</b>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
      <p>
        Voltage and current are corrected for the loading of their meters. ± is U, k = 2. Together is the mean weighted
        by 1/U²; its U counts the errors of the values as the same error.
      </p>
    </>
  );
}

const Value = ({ of }: { readonly of: Pick<ResistanceEvidence, 'value' | 'uncertainty'> | null | undefined }) =>
  of ? (
    <>
      {formatMeasuredValue(of.value, of.uncertainty, 'Ω')}
      <span className="small">± {formatQuantity(of.uncertainty, 'Ω', { digits: 2 })}</span>
    </>
  ) : (
    '–'
  );
