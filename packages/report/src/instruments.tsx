import { svgText } from '@usual-drag/core/drawing';
import { idsInWords, sectionNames, type ReportInstrument } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';

const functions = { 'dc-voltage': 'volts', 'dc-current': 'current', resistance: 'resistance' } as const;

/** Instruments that were used, their ranges, and whether each was in calibration on the day. */
export function Instruments({ instruments }: { readonly instruments: readonly ReportInstrument[] }) {
  return (
    <>
      <h2>{sectionNames.instruments}</h2>
      {instruments.length === 0 ? (
        <p>No instrument has been read.</p>
      ) : (
        <Frame label={sectionNames.instruments}>
          <table>
            <colgroup>
              {['28%', '36%', '36%'].map((width, index) => (
                <col key={index} style={{ width }} />
              ))}
            </colgroup>
            <thead>
              <tr>
                <th>Instrument</th>
                <th>Ranges that were read on</th>
                <th>Calibration on the day of the reading</th>
              </tr>
            </thead>
            <tbody>
              {instruments.map((one) => (
                <tr key={one.id}>
                  <th scope="row">
                    {one.name}
                    <span className="small">
                      {one.assetTag === null ? 'no asset tag on record' : `asset ${one.assetTag}`}
                    </span>
                    <span className="small">{idsInWords(one.readings)}</span>
                    {one.picture && (
                      <span
                        className="face"
                        dangerouslySetInnerHTML={{
                          __html: svgText(one.picture, one.picture.marks, `Face of ${one.name}`),
                        }}
                      />
                    )}
                  </th>
                  <td>
                    {one.ranges.map(({ quantity, id, resistance, accuracy }) => (
                      <span key={`${quantity} ${id}`} style={{ display: 'block' }}>
                        <b>{id}</b> {functions[quantity]}
                        {resistance !== null && `, ${resistance}`}
                        <span className="small">{accuracy}</span>
                      </span>
                    ))}
                  </td>
                  <td className={one.calibration === 'overdue' || one.calibration === 'later' ? 'stands' : undefined}>
                    {one.sentence}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Frame>
      )}
    </>
  );
}
