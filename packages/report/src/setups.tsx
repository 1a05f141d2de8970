import { sectionNames, type ReportSetup } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';

/** Every meter of every set-up with its predicted indication and its loading error. */
export function Setups({ setups }: { readonly setups: readonly ReportSetup[] }) {
  return (
    <>
      <h2>{sectionNames.setups}</h2>
      {setups.length === 0 ? (
        <p>No set-up was planned.</p>
      ) : (
        <Frame label={sectionNames.setups}>
          <table>
            <thead>
              <tr>
                <th>Set-up</th>
                <th>Meter</th>
                <th>Place</th>
                <th>Instrument</th>
                <th className="n">Indicated</th>
                <th className="n">True</th>
                <th className="n">Loading error</th>
                <th className="n">Display</th>
              </tr>
            </thead>
            <tbody>
              {setups.map((one) => (
                <tr key={`${one.setup} ${one.meter}`}>
                  <th scope="row">{one.setup}</th>
                  <td>{one.meter}</td>
                  <td>{one.place}</td>
                  <td>{one.instrument}</td>
                  <td className="n indicated">{one.indicated}</td>
                  <td className="n">{one.truth}</td>
                  <td className="n">
                    {one.share}
                    <span className="small">{one.error}</span>
                  </td>
                  <td className="n indicated">{one.display}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Frame>
      )}
    </>
  );
}
