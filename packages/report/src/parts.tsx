import { formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import { sectionNames, supplyWords, type Report, type ReportPart } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';

const told = (value: number | null, unit: Unit): string => formatQuantity(value, unit);

/** Every part as it is marked and as it was measured. */
export function Parts({ report }: { readonly report: Report }) {
  return (
    <>
      <h2>{sectionNames.parts}</h2>
      <Frame label={sectionNames.parts}>
        <table>
          <thead>
            <tr>
              <th>Part</th>
              <th>Between</th>
              <th>Description</th>
              <th>As marked</th>
              <th>Tolerance</th>
              <th>Measured</th>
              <th>Off by</th>
            </tr>
          </thead>
          <tbody>
            {report.parts.map((part) => (
              <tr key={part.id}>
                <th scope="row">{part.id}</th>
                <td>{part.between}</td>
                <td>{part.label}</td>
                <td className="figures">{part.value}</td>
                <td className="n">{part.tolerance}</td>
                <td className="n">{part.measured}</td>
                <td className="n">
                  {part.off}
                  {part.within === false && <span className="small stands">outside its tolerance</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
    </>
  );
}

/** Every source, as it is counted and as it was read. */
export function Supplies({ report }: { readonly report: Report }) {
  const { supplies, readings, job } = report;
  return (
    <>
      <h2>{sectionNames.supply}</h2>
      <Frame label={sectionNames.supply}>
        <table>
          <thead>
            <tr>
              <th>Source</th>
              <th>Between</th>
              <th>Description</th>
              <th>EMF</th>
              <th className="n">True voltage</th>
              <th className="n">Current</th>
              <th className="n">Readings across it</th>
            </tr>
          </thead>
          <tbody>
            {supplies.map((supply) => (
              <tr key={supply.id}>
                <th scope="row">{supply.id}</th>
                <td>{supply.between}</td>
                <td>{supply.label}</td>
                <td className="figures">
                  {supply.value}
                  {supply.limit !== '' && <span className="small">{supply.limit}</span>}
                </td>
                <td className="n">{told(supply.voltage, 'V')}</td>
                <td className="n">{told(supply.current, 'A')}</td>
                <td className="n indicated">
                  {supply.readings.length === 0
                    ? 'not read'
                    : readings
                        .filter(({ reading }) => supply.readings.includes(reading.id))
                        .map(({ reading, shown }) => `${reading.id} ${shown}`)
                        .join('; ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
      <p className="small">{supplyWords[job.conventions?.supply ?? 'meter']}</p>
    </>
  );
}

/** True values with no meter connected. */
export function TrueValues({ report }: { readonly report: Report }) {
  const { parts, values, network } = report;
  const reference = network.reference;
  return (
    <>
      <h2>{sectionNames['true-values']}</h2>
      <Frame label={sectionNames['true-values']}>
        <table>
          <thead>
            <tr>
              <th>Part</th>
              <th className="n">Voltage</th>
              <th className="n">Current</th>
              <th className="n">Power</th>
              <th className="n">Of its rating</th>
            </tr>
          </thead>
          <tbody>
            {parts.map((part) => (
              <tr key={part.id}>
                <th scope="row">{part.id}</th>
                <td className="n">{told(part.voltage, 'V')}</td>
                <td className="n">{told(part.current, 'A')}</td>
                <td className="n">{told(part.power, 'W')}</td>
                <td className="n">{ratingWords(part)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
      <p>
        Potentials{reference === undefined ? '' : ` against ${reference}`}:{' '}
        <span className="figures">
          {Object.entries(values.nodes)
            .map(([node, potential]) => `V(${node}) = ${told(potential, 'V')}`)
            .join(', ')}
        </span>
        .
      </p>
    </>
  );
}

function ratingWords({ ofRating }: ReportPart) {
  if (ofRating === null) return '';
  const words = formatPercent(ofRating, { digits: 2 });
  return ofRating > 1 ? <b className="hazard">{words}, over its rating</b> : words;
}
