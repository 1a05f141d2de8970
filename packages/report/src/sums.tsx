import { formatQuantity } from '@usual-drag/core/quantity';
import { sectionNames, type ReportSum } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';

/** Readings that ought to add up to nothing, and what their gap is made of. */
export function Sums({ sums }: { readonly sums: readonly ReportSum[] }) {
  return (
    <>
      <h2>{sectionNames.sums}</h2>
      {sums.length === 0 ? (
        <p>No readings go round a loop or cover a node.</p>
      ) : (
        <Frame label={sectionNames.sums}>
          <table>
            <thead>
              <tr>
                <th>Sum</th>
                <th>Of</th>
                <th className="n">Gap</th>
                <th className="n">U, k = 2</th>
                <th className="n">By loading</th>
                <th className="n">By tolerance</th>
                <th>Verdict</th>
              </tr>
            </thead>
            <tbody>
              {sums.map(({ sum, terms, parts, verdict }) => {
                const unit = sum.kind === 'loop' ? 'V' : 'A';
                const told = (value: number, signed: boolean): string =>
                  formatQuantity(value, unit, { digits: 3, signed });
                return (
                  <tr key={terms}>
                    <th scope="row">{terms}</th>
                    <td>{sum.kind === 'loop' ? 'voltages round a loop' : 'currents into a node'}</td>
                    <td className="n indicated">{told(sum.sum, true)}</td>
                    <td className="n">{told(sum.uncertainty, false)}</td>
                    <td className="n">{told(parts.loading, true)}</td>
                    <td className="n">{parts.tolerance === 0 ? '–' : `± ${told(parts.tolerance, false)}`}</td>
                    <td className={sum.verdict === 'does-not-close' ? 'stands' : undefined}>{verdict}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Frame>
      )}
    </>
  );
}
