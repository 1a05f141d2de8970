import { formatQuantity, parseQuantity, type Unit } from '@usual-drag/core/quantity';
import type { StandardCheck } from '@usual-drag/core/instrument';
import { X } from 'lucide-react';
import { Button } from '../ui/button.tsx';
import { ValueField } from '../ui/value-field.tsx';

/** A point as it is typed in; null if it is still empty. */
export interface TypedPoint {
  readonly applied: number | null;
  readonly indicated: number | null;
}

interface Props {
  readonly unit: Unit;
  readonly points: readonly TypedPoint[];
  /** Check against a standard: the limit, and the verdict. */
  readonly check: StandardCheck | null;
  readonly onChange: (points: readonly TypedPoint[]) => void;
}

const verdictWords = { within: 'within its limit', outside: 'outside its limit', open: 'cannot be decided' } as const;

/** Applied and indicated values point by point, with the resulting error. */
export function CertificatePoints({ unit, points, check, onChange }: Props) {
  const put = (index: number, change: Partial<TypedPoint>): void =>
    onChange(points.map((point, at) => (at === index ? { ...point, ...change } : point)));
  const told = (value: number | null): string =>
    value === null ? '' : formatQuantity(value, unit, { digits: 7, trim: true });
  return (
    <div className="relative overflow-x-auto">
      <table aria-label="Points" className="border-collapse text-[15px]">
        <thead className="text-left text-[13px] text-soft">
          <tr>
            {['Applied', 'Indicated', 'Error', ...(check ? ['Limit', 'Verdict'] : [])].map((head) => (
              <th key={head} className="px-2 py-1 font-medium">
                {head}
              </th>
            ))}
            <th className="sr-only">Remove</th>
          </tr>
        </thead>
        <tbody>
          {points.map((point, index) => {
            const { applied, indicated } = point;
            const checked = check?.points.find((one) => one.applied === applied && one.indicated === indicated);
            return (
              <tr key={index} className="border-t border-line/60">
                {(['applied', 'indicated'] as const).map((key) => (
                  <td key={key} className="px-2 py-0.5">
                    <ValueField
                      label={`${key === 'applied' ? 'Applied' : 'Indicated'} at point ${index + 1}`}
                      className="w-32"
                      placeholder={unit}
                      shown={told(point[key])}
                      read={(text) => parseQuantity(text, unit)}
                      onCommit={(value) => put(index, { [key]: value })}
                    />
                  </td>
                ))}
                <td className="figures px-2 whitespace-nowrap">
                  {applied !== null && indicated !== null
                    ? formatQuantity(indicated - applied, unit, { digits: 3, signed: true })
                    : ''}
                </td>
                {check && (
                  <>
                    <td className="figures px-2 whitespace-nowrap">
                      {checked ? `±${formatQuantity(checked.limit, unit, { digits: 3 })}` : ''}
                    </td>
                    <td className={checked?.verdict === 'outside' ? 'px-2 font-bold text-ochre' : 'px-2'}>
                      {checked?.verdict ? verdictWords[checked.verdict] : checked ? 'enter U of the standard' : ''}
                    </td>
                  </>
                )}
                <td>
                  <Button
                    tone="quiet"
                    aria-label={`Remove point ${index + 1}`}
                    onClick={() => onChange(points.filter((_, at) => at !== index))}
                  >
                    <X aria-hidden size={16} />
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
