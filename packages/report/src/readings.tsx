import { digitsFor, formatMeasuredValue, formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { verdictWords, type ComparedReading } from '@usual-drag/core/readings';
import { sectionNames, type Report, type ReportReading } from '@usual-drag/core/report';
import { moment } from './times.ts';
import { Frame } from './frame.tsx';

/** Shares of the width: name, place, displayed, measured, expected, loading, corrected, verdict; in all 100. */
const widths = [9.5, 22, 11.5, 11.5, 11.5, 11, 11.5, 11.5] as const;

/** Every reading: display, measured value, expectation, corrected value, and verdict. */
export function Readings({ report }: { readonly report: Report }) {
  return (
    <>
      <h2>{sectionNames.readings}</h2>
      {report.readings.length === 0 ? (
        <p>Nothing has been read.</p>
      ) : (
        <Frame label={sectionNames.readings} className="readings">
          <table>
            <colgroup>
              {widths.map((width, index) => (
                <col key={index} style={{ width: `${width}%` }} />
              ))}
            </colgroup>
            <thead>
              <tr>
                <th>Reading</th>
                <th>Where, and with what</th>
                <th className="n">Displayed</th>
                <th className="n">
                  Measured
                  <span className="small">± U, k = 2</span>
                </th>
                <th className="n">
                  Expected
                  <span className="small">this meter; true</span>
                </th>
                <th className="n">Loading error</th>
                <th className="n">
                  Corrected
                  <span className="small">± U, k = 2</span>
                </th>
                <th>Verdict</th>
              </tr>
            </thead>
            <tbody>
              {report.readings.map((one) => (
                <Row key={one.reading.id} one={one} />
              ))}
            </tbody>
          </table>
        </Frame>
      )}
    </>
  );
}

function Row({ one }: { readonly one: ReportReading }) {
  const { reading, compared, shown, at } = one;
  const { id, struck } = reading;
  return (
    <tr className={struck && 'struck'}>
      <th scope="row">
        {id}
        {at !== null && <span className="small">{moment(at)}</span>}
      </th>
      <td>
        {struck ? <s>{one.place}</s> : one.place}
        <span className="small">
          {one.instrument}, {reading.range}
          {reading.scale !== undefined && `, scale of ${reading.scale}`}
          {reading.rate !== undefined && `, rate ${reading.rate}`}
        </span>
        {beside(one).map((line) => (
          <span key={line} className="small">
            {line}
          </span>
        ))}
      </td>
      <td className="n indicated">{struck ? <s>{shown}</s> : lines(shown)}</td>
      {struck ? (
        <td colSpan={5}>
          Struck out{struck.at !== undefined && ` on ${moment(struck.at)}`}: {struck.why}
        </td>
      ) : (
        compared && <Compared one={one} compared={compared} unit={unitOf(reading.quantity)} />
      )}
    </tr>
  );
}

/** Several observations below each other. */
const lines = (shown: string) =>
  shown.split('; ').map((line, index) => (
    <span key={index} style={{ display: 'block' }}>
      {line}
    </span>
  ));

function Compared({
  one,
  compared,
  unit,
}: {
  readonly one: ReportReading;
  readonly compared: ComparedReading;
  readonly unit: Unit;
}) {
  const { value, uncertainty, expected, true: truth, loading, corrected, low, high, verdict } = compared;
  const u = (of: number | null): string => (of === null ? '' : `± ${formatQuantity(of, unit, { digits: 2 })}`);
  const digits = digitsFor(value ?? expected, uncertainty);
  const told = (of: number | null): string => formatQuantity(of, unit, { digits });
  const isResistance = one.reading.quantity === 'resistance';
  return (
    <>
      <td className="n indicated">
        {told(value)}
        <span className="small">{u(uncertainty)}</span>
      </td>
      <td className="n">
        <span className="indicated">{told(expected)}</span>
        {!isResistance && <span style={{ display: 'block' }}>{told(truth)}</span>}
        {low !== null && high !== null && low !== high && (
          <span className="small">
            {formatQuantity(low, unit)} … {formatQuantity(high, unit)}
          </span>
        )}
      </td>
      <td className="n">
        {isResistance || loading === null ? (
          '–'
        ) : Math.abs(loading) < (uncertainty ?? 0) / 1000 ? (
          '≈ 0'
        ) : (
          <>
            {formatQuantity(loading, unit, { digits: 3, signed: true })}
            <span className="small">{truth ? formatPercent(loading / truth, { signed: true }) : ''}</span>
          </>
        )}
      </td>
      <td className="n">
        {isResistance ? (
          '–'
        ) : (
          <>
            {formatMeasuredValue(corrected, compared.correctedUncertainty, unit)}
            <span className="small">{u(compared.correctedUncertainty)}</span>
          </>
        )}
      </td>
      <td className={verdict === 'does-not-agree' ? 'stands' : undefined}>
        {verdictWords[verdict]}
        {compared.explainedByLoading && <span className="small">explained by loading</span>}
      </td>
    </>
  );
}

function beside({ reading, simulated, ownError, budget }: ReportReading): string[] {
  const { alongside = [], by, note } = reading;
  const off = formatQuantity(ownError, unitOf(reading.quantity), { digits: 2, signed: true });
  return [
    ...(ownError !== 0 && reading.struck === undefined ? [`own error ${off} taken off`] : []),
    ...budget.map((words) => `corrected value: ${words}`),
    ...(alongside.length > 0
      ? [
          `connected with it: ${alongside.map(({ id, instrument, range }) => `${id} (${instrument}, ${range})`).join(', ')}`,
        ]
      : []),
    [
      by === undefined ? '' : `by ${by}`,
      reading.source === 'instrument' ? 'sent by the instrument' : '',
      note ?? '',
      simulated && !note ? 'simulated bench' : '',
    ]
      .filter((word) => word !== '')
      .join('; '),
  ].filter((line) => line !== '');
}
