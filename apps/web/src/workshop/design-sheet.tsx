import {
  designCautions,
  formatPercent,
  formatQuantity,
  instrumentFromDesign,
  movementCheck,
  movementOf,
  sectionWords,
  usualParts,
  type Combination,
  type DesignResult,
} from '@usual-drag/core';
import { PackagePlus, Table } from 'lucide-react';
import Papa from 'papaparse';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useShelf } from '../kit/use-shelf.ts';
import { Button } from '../ui/button.tsx';
import { FiguresTable } from '../ui/figures-table.tsx';
import { Note } from '../ui/note.tsx';
import { saveText } from '../ui/save-file.ts';
import type { BoardDesign } from './designs-store.ts';
import { Dial } from './dial.tsx';
import { MeterDrawing } from './meter-drawing.tsx';
import { SchemeComparison } from './scheme-comparison.tsx';
import { Temperature } from './temperature.tsx';

interface Props {
  readonly entry: BoardDesign;
  readonly result: DesignResult;
  /** Another result is on its way. */
  readonly busy: boolean;
}

/** What a design comes to: every range, every section with its parts, the check, the drawing; and into the kit with it. */
export function DesignSheet({ entry, result, busy }: Props) {
  const { design } = entry;
  const { shelf = [], add } = useShelf();
  const navigate = useNavigate();
  const parts = design.parts ?? usualParts;
  const known = movementOf(design.movement);
  const check = useMemo(() => {
    const movement = movementOf(design.movement);
    if (!movement.ok) return null;
    const ranges = result.ranges.map(({ range }) => range);
    const exact = result.sections.map(({ resistance }) => resistance);
    const off = movementCheck(design, movement.value, ranges, exact);
    return off.ok ? Math.max(...off.value.map(Math.abs)) : null;
  }, [design, result]);
  if (!known.ok) return null;
  const movement = known.value;
  const ammeter = design.target === 'ammeter';
  const unit = ammeter ? 'A' : 'V';
  const ohms = (value: number): string => formatQuantity(value, 'Ω', { digits: 5 });
  const words = sectionWords(design, movement, result);
  const intoKit = (): void => {
    const made = instrumentFromDesign(
      design,
      movement,
      result,
      entry.movementClass,
      entry.divisions,
      shelf.map(({ id }) => id),
    );
    add(made);
    toast(`${made.name} is in the kit, with its ranges, resistance and class.`, {
      action: { label: 'Show it', onClick: () => void navigate(`/kit/${encodeURIComponent(made.id)}`) },
    });
  };
  const saveParts = (): void => {
    const fields = ['section', 'resistor / Ω', 'joined', 'series', 'tolerance', 'rating / W'];
    const data = result.sections.flatMap(({ parts: { values, joined } }, index) =>
      values.map((value) => [words[index]!.name, value, joined, parts.series, parts.tolerance, parts.powerRating]),
    );
    saveText(Papa.unparse({ fields, data }), 'meter-parts.csv', 'text/csv');
  };
  return (
    <div className="flex flex-col gap-5" aria-busy={busy}>
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="grow text-[20px] font-bold">{design.title ?? 'Untitled'}</h2>
        <Button onClick={saveParts}>
          <Table aria-hidden size={16} /> Parts list
        </Button>
        <Button tone="strong" onClick={intoKit}>
          <PackagePlus aria-hidden size={17} /> Put it in the kit
        </Button>
      </div>
      <FiguresTable
        label="Ranges of the finished meter"
        head={[
          'Range',
          ammeter ? 'Shunt' : 'Multiplier',
          'Meter',
          ammeter ? 'Burden' : 'Ω for 1 V',
          'Power',
          'As built',
          'Worst case',
        ]}
        rows={result.ranges.map((range, k) => {
          const { fullScaleError, worstCase } = result.asBuilt[k]!;
          return {
            key: String(range.range),
            cells: [
              formatQuantity(range.range, unit, { digits: 4, trim: true }),
              ohms(range.resistance),
              ohms(range.meterResistance),
              ammeter
                ? formatQuantity(range.burden, 'V', { digits: 4 })
                : formatQuantity(range.sensitivity, 'Ω', { digits: 4, trim: true }),
              formatQuantity(range.power, 'W', { digits: 3 }),
              Math.abs(fullScaleError) < 1e-12
                ? '0\u00a0%'
                : formatPercent(fullScaleError, { signed: true, digits: 2 }),
              `${formatPercent(worstCase[0], { signed: true, digits: 2 })} … ${formatPercent(worstCase[1], { signed: true, digits: 2 })}`,
            ],
          };
        })}
      />
      <section aria-label="Sections">
        <h2 className="mb-1 text-[17px] font-bold">To build</h2>
        <ol className="flex flex-col gap-1.5">
          {result.sections.map(({ resistance, power, parts: chosen }, index) => (
            <li key={index} className="rounded-lg border border-line px-3 py-1.5">
              <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span>
                  <b>S{index + 1}</b> <span className="text-soft">{words[index]!.name}</span>
                </span>
                <span className="figures">
                  {words[index]!.formula} = <b>{ohms(resistance)}</b>
                </span>
              </span>
              <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span>
                  take <b className="figures">{partsText(chosen)}</b>
                  {chosen.joined !== 'single' && <span className="figures"> = {ohms(chosen.resistance)}</span>}
                </span>
                <span className="figures text-soft">
                  {smallPercent(chosen.resistance / resistance - 1)} · {formatQuantity(power, 'W', { digits: 3 })}
                </span>
              </span>
            </li>
          ))}
        </ol>
        {check !== null && (
          <p className="mt-1.5 text-[14px] text-good">
            ✓ Solved as a network, the movement stands at full scale on every range
            {check > 1e-15 ? ` (off by ${check.toExponential(0)} at most)` : ''}.
          </p>
        )}
      </section>
      {designCautions(design, result, parts).map(({ kind, message }) => (
        <Note key={message} kind={kind}>
          {message}
        </Note>
      ))}
      <MeterDrawing design={design} movement={movement} result={result} />
      <Dial design={design} />
      <SchemeComparison design={design} movement={movement} />
      <Temperature design={design} movement={movement} result={result} />
    </div>
  );
}

/** An error in per cent; what is below a millionth is nothing that anyone could measure. */
const smallPercent = (ratio: number): string =>
  Math.abs(ratio) < 1e-6 ? '0\u00a0%' : formatPercent(ratio, { signed: true, digits: 2 });

const partsText = ({ values, joined }: Combination): string =>
  values
    .map((value) => formatQuantity(value, 'Ω', { digits: 4, trim: true }))
    .join(joined === 'parallel' ? ' ∥ ' : ' + ');
