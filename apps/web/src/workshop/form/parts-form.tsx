import { formatQuantity, seriesNames } from '@usual-drag/core/quantity';
import { type MeterProject, type WorkshopParts, resistorKindOf, resistorKinds } from '@usual-drag/core/workshop';
import { rowsFromStock, stockFromRows } from '@usual-drag/core/job';
import { Download, FileUp } from 'lucide-react';
import { csvRows, csvText } from '../../ui/csv.ts';
import { useRef } from 'react';
import { toast } from '../../ui/toast.ts';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { FileInput } from '../../ui/file-input.tsx';
import { NumberInput } from '../../ui/form/number-input.tsx';
import { inPercent, inUnit } from '../../ui/number-field.ts';
import { saveText } from '../../ui/save-file.ts';
import { Segments } from '../../ui/segments.tsx';
import { Toggle } from '../../ui/toggle.tsx';

interface Props {
  readonly project: MeterProject;
  readonly onChange: (project: MeterProject) => void;
}

/** Parts to choose from: a series of one kind, or the workshop's own stock. */
export function PartsForm({ project, onChange }: Props) {
  const { parts } = project;
  const put = (next: WorkshopParts): void => onChange({ ...project, parts: next });
  const { stock } = parts;
  return (
    <section aria-label="Parts" className="flex flex-col gap-1.5">
      <h2 className="font-bold">Parts to choose from</h2>
      <div className="flex flex-wrap items-end gap-2">
        <Choice
          label="Kind"
          showLabel
          className="w-44"
          value={resistorKindOf(parts)?.name ?? ''}
          missing="as below"
          options={resistorKinds.map(({ name }) => ({ value: name, text: name }))}
          onChange={(chosen) => {
            const { name: _name, ...kind } = resistorKinds.find(({ name }) => name === chosen)!;
            put({ ...parts, ...kind });
          }}
        />
        <Choice
          label="Series"
          showLabel
          className="w-22"
          value={parts.series}
          options={seriesNames.map((name) => ({ value: name, text: name }))}
          onChange={(series) => put({ ...parts, series })}
        />
        <NumberInput
          name="parts.tolerance"
          label="Tolerance"
          writing={inPercent}
          limit="not-negative"
          needed
          className="w-20"
        />
        <NumberInput name="parts.powerRating" label="Rating" writing={inUnit('W')} needed className="w-20" />
        <NumberInput
          name="parts.limitingVoltage"
          label="Voltage limit"
          writing={inUnit('V')}
          className="w-24"
          placeholder="not known"
        />
        <NumberInput
          name="parts.coefficient"
          label="Temperature coefficient"
          writing={inPercent}
          limit="any"
          className="w-24"
          placeholder="nothing"
        />
      </div>
      <Segments
        label="Parts in a section, at most"
        showLabel
        value={String(parts.maxParts)}
        options={['1', '2', '3'].map((n) => ({ value: n, text: n }))}
        onChange={(most) => put({ ...parts, maxParts: Number(most) })}
      />
      <Toggle
        label="Only within half their power and their voltage"
        on={parts.withinRatings ?? false}
        onChange={(withinRatings) => put({ ...parts, withinRatings })}
      />
      <Toggle
        label="A trimmer in every section"
        on={parts.trimmed ?? false}
        onChange={(trimmed) => put({ ...parts, trimmed })}
      />
      <Stock
        stock={stock}
        onChange={(next) => {
          const { stock: _was, ...rest } = parts;
          put(next ? { ...rest, stock: next } : rest);
        }}
      />
    </section>
  );
}

/** A stock of one's own, from a spreadsheet, as the only choice. */
function Stock({
  stock,
  onChange,
}: {
  readonly stock: WorkshopParts['stock'];
  readonly onChange: (next: WorkshopParts['stock'] | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const rows = csvRows(await file.text());
    const { stock: read, faults } = stockFromRows(rows);
    if (faults[0])
      return void toast.error(`${file.name}, row ${faults[0].row}: ${faults[0].message}`, { duration: 15_000 });
    if (read.length === 0) return void toast.error(`${file.name} has no resistor in it.`);
    onChange(read);
  };
  return (
    <div className="flex flex-col gap-1">
      <FileInput
        ref={input}
        label="Stock list to open"
        accept=".csv,.tsv,.txt,text/csv"
        onTake={(file) => void take(file)}
      />
      <div className="flex flex-wrap items-center gap-1">
        {stock ? (
          <>
            <span className="text-[14px]">
              Only from the stock: {stock.length} {stock.length === 1 ? 'value' : 'values'},{' '}
              {formatQuantity(Math.min(...stock.map(({ resistance }) => resistance)), 'Ω', { digits: 3, trim: true })}{' '}
              to{' '}
              {formatQuantity(Math.max(...stock.map(({ resistance }) => resistance)), 'Ω', { digits: 3, trim: true })}
            </span>
            <Button
              tone="quiet"
              aria-label="Save the stock list"
              onClick={() => saveText(csvText(rowsFromStock(stock)), 'stock.csv', 'text/csv')}
            >
              <Download aria-hidden size={16} />
            </Button>
            <Button tone="quiet" onClick={() => onChange(null)}>
              any value again
            </Button>
          </>
        ) : (
          <Button tone="quiet" className="text-left whitespace-normal!" onClick={() => input.current?.click()}>
            <FileUp aria-hidden size={16} /> Only from a stock list (CSV: value, count, tolerance)
          </Button>
        )}
      </div>
    </div>
  );
}
