import type { ExplanationMatrix } from '@usual-drag/core/diagnosis';
import { deviationBar } from '@usual-drag/core/drawing';
import { faultSentence } from '@usual-drag/core/faults';
import { Frame } from './frame.tsx';

/** Explanations that are printed, beside the fault-free circuit. */
const most = 8;

/** Half the height of a bar's cell, px. */
const half = 11;

/** Deviation of each reading from what the explanations predict, in ink. */
export function Explanations({ matrix: { rows, readings } }: { readonly matrix: ExplanationMatrix }) {
  const printed = [...rows.slice(0, -1).slice(0, most), rows.at(-1)!];
  if (rows.length < 2) return null;
  return (
    <>
      <p className="small">Reading − prediction, in units of its standard uncertainty:</p>
      <Frame label="Deviations from the explanations">
        <table>
          <thead>
            <tr>
              <th>Explanation</th>
              {readings.map(({ reading }) => (
                <th key={reading.id} className="n">
                  {reading.id}
                </th>
              ))}
              <th className="n">Misfit</th>
            </tr>
          </thead>
          <tbody>
            {printed.map(({ name, hypothesis, cells, misfit }) => (
              <tr key={name}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  <b>{name}</b> {hypothesis === null ? 'No fault' : faultSentence(hypothesis)}
                </th>
                {cells.map(({ deviation }, k) => (
                  <td key={readings[k]!.reading.id} className="n" style={{ padding: '0 1px' }}>
                    <Bar deviation={deviation} />
                  </td>
                ))}
                <td className="n">{misfit.toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Frame>
    </>
  );
}

function Bar({ deviation }: { readonly deviation: number }) {
  const { y, height, isFar, text } = deviationBar(deviation, half);
  return (
    <svg width="24" height={2 * half + 2} role="img" aria-label={`${text} u`}>
      <line x1="3" x2="21" y1={half + 0.5} y2={half + 0.5} stroke="#b9b0a0" />
      <rect x="9" width="6" y={y} height={height} fill={isFar ? '#22303c' : '#8a8f94'} />
      {isFar && (
        <text
          x="12"
          y={deviation > 0 ? half + 10 : half - 2}
          textAnchor="middle"
          fontSize="8"
          fontWeight="bold"
          fill="#22303c"
        >
          {text}
        </text>
      )}
    </svg>
  );
}
