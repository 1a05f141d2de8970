import { formatMeasured, formatQuantity } from '@usual-drag/core/quantity';
import { connectionWords } from '@usual-drag/core/loading';
import type { Observation } from '@usual-drag/core/readings';
import type { ReportSweep } from '@usual-drag/core/report';
import { Frame } from './frame.tsx';

/** Voltage and current at several settings of a supply, and the resistance that follows from them. */
export function Sweeps({ sweeps }: { readonly sweeps: readonly ReportSweep[] }) {
  return sweeps.map(({ sweep, meters, expected, resistance }) => (
    <div key={sweep.id}>
      <p>
        <b>{`Sweep ${sweep.id} of ${sweep.element}`}</b>: {connectionWords[sweep.connection]}; {meters}.{' '}
        {resistance
          ? `${sweep.element} = ${formatMeasured(resistance.resistance, resistance.uncertainty, 'Ω')} (k = 2), both meters’ effects taken out.`
          : 'No resistance follows yet: two settings with voltage and current are needed.'}
      </p>
      <Frame label={`Sweep ${sweep.id}`}>
        <table>
          <thead>
            <tr>
              <th>{sweep.source} set to</th>
              <th className="n">Voltage</th>
              <th className="n">Expected voltage</th>
              <th className="n">Current</th>
              <th className="n">Expected current</th>
            </tr>
          </thead>
          <tbody>
            {sweep.points.map(({ set, voltage, current }, index) => (
              <tr key={index}>
                <td className="figures">{formatQuantity(set, 'V', { digits: 6, trim: true })}</td>
                <td className="n indicated">{shown(voltage)}</td>
                <td className="n">{formatQuantity(expected[index]?.voltage ?? null, 'V')}</td>
                <td className="n indicated">{shown(current)}</td>
                <td className="n">{formatQuantity(expected[index]?.current ?? null, 'A')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
    </div>
  ));
}

const shown = (observation: Observation | undefined): string =>
  observation === undefined ? '–' : `${observation.shown}\u00a0${observation.unit}`;
