import { ok } from '@usual-drag/core/result';
import { formatQuantity, parseQuantity } from '@usual-drag/core/quantity';
import {
  sheetKey,
  sheetQuantities,
  unitOfSheet,
  type SheetElement,
  type SheetQuantity,
  type SheetStep,
  type SheetValues,
  type Worksheet,
} from '@usual-drag/core/worksheet';
import { clsx } from 'clsx';
import { Trash2 } from 'lucide-react';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import { ValueField } from '../ui/value-field.tsx';
import { addPart, give, moveEnd, removePart, useSheet } from './sheet-store.ts';
import { ruleWords } from './sheet-words.ts';

interface Props {
  readonly sheet: Worksheet;
  readonly values: Readonly<Record<string, SheetValues>>;
  readonly steps: readonly SheetStep[];
  /** Keys of givens that contradict each other. */
  readonly apart: readonly string[];
}

const heads: Readonly<Record<SheetQuantity, string>> = {
  voltage: 'Voltage',
  current: 'Current',
  resistance: 'Resistance',
  power: 'Power',
};

/** The parts with their four values: given ones in ink, those that follow in green with their rule. */
export function SheetTable({ sheet, values, steps, apart }: Props) {
  const ruleOf = new Map(steps.map((step) => [sheetKey(step), step.rule]));
  return (
    <div className="relative overflow-x-auto rounded-xl border border-line bg-sheet p-2">
      <table aria-label="Worksheet" className="w-full border-collapse text-[15px]">
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            {['Part', 'from', 'to', ...sheetQuantities.map((quantity) => heads[quantity])].map((head) => (
              <th key={head} scope="col" className="px-1.5 py-1 text-left font-medium">
                {head}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sheet.network.elements.map((element) => (
            <tr key={element.id} className="border-b border-line/60 align-top">
              <th scope="row" className="px-1.5 py-1.5 text-left">
                {element.id}
              </th>
              {(['from', 'to'] as const).map((end) => (
                <td key={end} className="w-12 min-w-12">
                  <EndField element={element} end={end} />
                </td>
              ))}
              {sheetQuantities.map((quantity) => (
                <td key={quantity} className="min-w-24">
                  <ValueCell
                    of={element.id}
                    quantity={quantity}
                    given={
                      sheet.givens.find((one) => one.of === element.id && one.quantity === quantity)?.value ?? null
                    }
                    value={values[element.id]?.[quantity] ?? null}
                    rule={ruleOf.get(sheetKey({ of: element.id, quantity }))}
                    isApart={apart.includes(sheetKey({ of: element.id, quantity }))}
                  />
                </td>
              ))}
              <td className="w-9">
                <Button
                  tone="quiet"
                  aria-label={`Remove ${element.id}`}
                  title={`Remove ${element.id}`}
                  className="px-2"
                  onClick={() => remove(element.id)}
                >
                  <Trash2 aria-hidden size={16} />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap gap-2 pt-2">
        <Button onClick={() => addPart('resistor')}>Add resistor</Button>
        <Button onClick={() => addPart('source')}>Add source</Button>
      </div>
    </div>
  );
}

function remove(id: string): void {
  const before = useSheet.getState();
  removePart(id);
  offer(`${id} removed.`, 'Undo', () => useSheet.setState(before));
}

function EndField({ element, end }: { readonly element: SheetElement; readonly end: 'from' | 'to' }) {
  return (
    <ValueField
      label={`${element.id}, ${end}`}
      shown={element[end]}
      read={(text) =>
        /^[A-Za-z0-9_-]{1,32}$/.test(text.trim())
          ? ok(text.trim())
          : { ok: false, fault: { message: 'A letter or a short name.' } }
      }
      onCommit={(node) => moveEnd(element.id, end, node)}
    />
  );
}

interface CellProps {
  readonly of: string;
  readonly quantity: SheetQuantity;
  readonly given: number | null;
  readonly value: number | null;
  readonly rule: SheetStep['rule'] | undefined;
  readonly isApart: boolean;
}

/** One value: typed it is given, emptied it is not. */
function ValueCell({ of, quantity, given, value, rule, isApart }: CellProps) {
  const unit = unitOfSheet[quantity];
  const show = (amount: number): string => formatQuantity(amount, unit, { digits: given === null ? 4 : 6, trim: true });
  return (
    <div className={clsx('flex flex-col rounded-md', isApart && 'outline-2 outline-fault')}>
      <ValueField<number | null>
        label={`${of}, ${quantity}`}
        shown={given !== null ? show(given) : value !== null ? show(value) : ''}
        placeholder={unit}
        read={(text) => (text.trim() === '' ? ok(null) : parseQuantity(text, unit))}
        onCommit={(typed) => give(of, quantity, typed)}
        className={given !== null ? '[&_input]:font-bold' : '[&_input]:text-good'}
      />
      <span className="px-1.5 text-[12px] leading-none text-soft">
        {given !== null ? 'given' : rule ? ruleWords[rule] : ''}
      </span>
    </div>
  );
}
