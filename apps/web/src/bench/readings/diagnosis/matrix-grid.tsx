import { deviationBar } from '@usual-drag/core/drawing';
import { faultSentence } from '@usual-drag/core/faults';
import { fitWord, type ExplanationMatrix, type MatrixRow } from '@usual-drag/core/diagnosis';
import clsx from 'clsx';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { useOpenReading } from './use-open-reading.ts';

/** Readings up to which a column is set roomily: more would not fit beside the explanations at 1280 px. */
const mostRoomy = 10;

/** A cell of the matrix: the explanation's row and the reading's column. */
export interface ChosenCell {
  readonly row: number;
  readonly reading: number;
}

interface Props {
  readonly matrix: ExplanationMatrix;
  readonly chosen: ChosenCell;
  readonly onChoose: (cell: ChosenCell) => void;
  readonly jobId: string;
}

const moves: Readonly<Record<string, readonly [row: number, reading: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Explanations as rows, readings as columns. Arrow keys move through it, Enter opens the step of the reading. */
export function MatrixGrid({ matrix: { rows, readings }, chosen, onChoose, jobId }: Props) {
  const grid = useRef<HTMLTableElement>(null);
  const hasFocus = useRef(false);
  const openReading = useOpenReading(jobId);
  useEffect(() => {
    if (hasFocus.current) grid.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }, [chosen.row, chosen.reading]);
  const onKeyDown = (event: KeyboardEvent): void => {
    const move = moves[event.key];
    if (event.key === 'Enter') openReading(readings[chosen.reading]!.reading);
    if (!move) return;
    event.preventDefault();
    const within = (value: number, size: number): number => Math.min(size - 1, Math.max(0, value));
    onChoose({
      row: within(chosen.row + move[0], rows.length),
      reading: within(chosen.reading + move[1], readings.length),
    });
  };
  return (
    <div className="max-h-full max-w-full self-start overflow-auto rounded-lg border border-line bg-sheet">
      <table
        ref={grid}
        role="grid"
        aria-label="Explanations, best first"
        className="border-separate border-spacing-0 text-[13px]"
        onKeyDown={onKeyDown}
        onFocus={() => (hasFocus.current = true)}
        onBlur={() => (hasFocus.current = false)}
      >
        <thead>
          <tr>
            <th
              scope="col"
              className="sticky top-0 left-0 z-20 border-b border-line bg-sheet px-2 py-1 text-left font-medium text-soft"
            >
              Explanation
            </th>
            {readings.map(({ reading }, k) => (
              <th
                key={reading.id}
                scope="col"
                className={clsx(
                  'sticky top-0 z-10 border-b border-line bg-sheet px-0.5 py-1 text-center text-[12px]',
                  k === chosen.reading ? 'font-bold text-ink' : 'font-medium text-soft',
                  readings.length > mostRoomy ? 'min-w-[26px]' : 'min-w-[44px]',
                )}
              >
                {reading.id}
              </th>
            ))}
            <th
              scope="col"
              className="sticky top-0 z-10 border-b border-line bg-sheet px-2 py-1 text-right font-medium text-soft"
            >
              Fit
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, r) => (
            <tr
              key={row.name}
              aria-selected={r === chosen.row}
              className={clsx(r === chosen.row ? 'bg-sunk' : 'bg-sheet hover:bg-ground')}
            >
              <th
                scope="row"
                className="sticky left-0 z-10 max-w-[17rem] min-w-[11rem] border-b border-line/60 bg-inherit px-2 py-0.5 text-left leading-[1.15] font-normal"
                onClick={() => onChoose({ row: r, reading: chosen.reading })}
              >
                <span className="line-clamp-2" title={sentenceOf(row)}>
                  <b className="figures mr-1.5">{row.name}</b>
                  {sentenceOf(row)}
                </span>
              </th>
              {row.cells.map((cell, k) => (
                <td
                  key={readings[k]!.reading.id}
                  role="gridcell"
                  tabIndex={r === chosen.row && k === chosen.reading ? 0 : -1}
                  aria-label={`${row.name}, ${readings[k]!.reading.id}: ${deviationBar(cell.deviation, half).text} u`}
                  className="border-b border-line/60 p-0 focus-visible:-outline-offset-2"
                  onClick={() => onChoose({ row: r, reading: k })}
                >
                  <Bar deviation={cell.deviation} />
                </td>
              ))}
              <td className="border-b border-line/60 px-2 text-right whitespace-nowrap" title={misfitText(row.misfit)}>
                {fitWord(row.misfit)}
                <FitBar misfit={row.misfit} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const misfitText = (misfit: number): string => `misfit ${misfit.toFixed(2)}`;

/** Misfit at which the bar is empty. */
const emptyAt = 3;

/** A bar that is long for a good fit. */
const FitBar = ({ misfit }: { readonly misfit: number }) => (
  <span aria-hidden className="ml-auto block h-1 w-12 bg-line/60">
    <span className="block h-1 bg-soft" style={{ width: `${Math.max(0, 1 - misfit / emptyAt) * 100}%` }} />
  </span>
);

const sentenceOf = ({ hypothesis }: MatrixRow): string =>
  hypothesis === null ? 'No fault' : faultSentence(hypothesis);

/** Half the height of a bar's cell, px. */
const half = 16;

/** A bar up or down from zero. */
function Bar({ deviation }: { readonly deviation: number }) {
  const { y, height, isFar, text } = deviationBar(deviation, half);
  return (
    <svg aria-hidden width="26" height={2 * half + 2} className="mx-auto block overflow-visible">
      <line x1="4" x2="22" y1={half + 0.5} y2={half + 0.5} stroke="var(--line)" />
      <rect x="9" width="8" y={y} height={height} fill={isFar ? 'var(--fault)' : 'var(--soft)'} />
      {isFar && (
        <text
          x="13"
          y={deviation > 0 ? half + 13 : half - 4}
          textAnchor="middle"
          fontSize="10.5"
          fontWeight="bold"
          fill="var(--fault)"
        >
          {text}
        </text>
      )}
    </svg>
  );
}
