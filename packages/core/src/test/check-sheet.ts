import {
  sheetQuantities,
  solveWorksheet,
  type Given,
  type SheetQuantity,
  type SheetValues,
  type Worksheet,
  type WorksheetResult,
} from '../worksheet/index.ts';

/** The keys of everything given, on the parts and in the list. */
export const keysGiven = ({ network, givens }: Worksheet): string[] => [
  ...network.elements.flatMap((element) =>
    element.kind === 'source'
      ? element.emf === undefined
        ? []
        : [`${element.id}.voltage`]
      : element.resistance === undefined
        ? []
        : [`${element.id}.resistance`],
  ),
  ...givens.map(({ of, quantity }) => `${of}.${quantity}`),
];

/** A text with its no-break spaces as plain ones. */
export const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

const valueIn = (values: Readonly<Record<string, SheetValues>>, key: string): number => {
  const [of, quantity] = key.split('.') as [string, SheetQuantity];
  return values[of]![quantity]!;
};

/**
 * Returns the faults of a result's steps: a value without one, one from values that were not known yet, arithmetic that does not come
 * out, or a `from` that does not determine the value when it alone is given.
 */
export function checkSteps(sheet: Worksheet, result: WorksheetResult): string[] {
  const { values, steps } = result;
  const known = new Set(keysGiven(sheet));
  const faults: string[] = [];
  for (const { of, quantity, value, rule, from } of steps) {
    const key = `${of}.${quantity}`;
    for (const source of from) if (!known.has(source)) faults.push(`${key} takes ${source}, which is not known yet`);
    if (known.has(key)) faults.push(`${key} is worked out twice`);
    known.add(key);
    const reckoned = arithmetic(sheet, key, rule, from, values);
    if (
      reckoned !== null &&
      !reckoned.some((one) => Math.abs(one - value) <= 1e-9 * Math.max(Math.abs(value), sizeOf(from, values)))
    )
      faults.push(`${key} by ${rule}: ${reckoned.join(' or ')}, not ${value}`);
    if (!determines(sheet, from, key, values)) faults.push(`${from.join(', ')} do not determine ${key}`);
  }
  for (const [of, part] of Object.entries(values))
    for (const quantity of sheetQuantities)
      if (part[quantity] !== null && !known.has(`${of}.${quantity}`)) faults.push(`${of}.${quantity} has no step`);
  return faults;
}

const sizeOf = (from: readonly string[], values: Readonly<Record<string, SheetValues>>): number =>
  from.length > 2 ? Math.max(...from.map((key) => Math.abs(valueIn(values, key)))) : 0;

/** Returns the result of a step's rule by its own numbers; null if only the whole circuit gives it. */
function arithmetic(
  { network }: Worksheet,
  key: string,
  rule: string,
  from: readonly string[],
  values: Readonly<Record<string, SheetValues>>,
): number[] | null {
  const [of, quantity] = key.split('.') as [string, SheetQuantity];
  const at = (wanted: SheetQuantity): number | undefined =>
    from.includes(`${of}.${wanted}`) ? values[of]![wanted]! : undefined;
  const [v, i, r, p] = [at('voltage'), at('current'), at('resistance'), at('power')];
  switch (rule) {
    case 'ohm':
      if (quantity === 'voltage') return [i === 0 ? 0 : i! * r!];
      if (quantity === 'current') return [v === 0 ? 0 : v! / r!];
      return [v! / i!];
    case 'power':
      if (quantity === 'power')
        return [v !== undefined && i !== undefined ? v * i : i !== undefined ? i * i * r! : (v! * v!) / r!];
      if (p === 0) return [0];
      if (quantity === 'voltage') return i !== undefined ? [p! / i] : [Math.sqrt(p! * r!), -Math.sqrt(p! * r!)];
      return v !== undefined ? [p! / v] : [Math.sqrt(p! / r!), -Math.sqrt(p! / r!)];
    case 'series':
    case 'parallel':
      return [valueIn(values, from[0]!), -valueIn(values, from[0]!)];
    case 'junction':
    case 'loop': {
      // Every choice of signs: one of them has to come out.
      const ids = new Set(network.elements.map(({ id }) => id));
      if (from.some((one) => !ids.has(one.split('.')[0]!))) return [];
      return from.reduce<number[]>(
        (sums, one) => sums.flatMap((sum) => [sum + valueIn(values, one), sum - valueIn(values, one)]),
        [0],
      );
    }
    default:
      return null;
  }
}

/** Returns whether a value follows when only some others are given. */
function determines(
  sheet: Worksheet,
  from: readonly string[],
  key: string,
  values: Readonly<Record<string, SheetValues>>,
): boolean {
  const givens = from.map((one): Given => {
    const [of, quantity] = one.split('.') as [string, SheetQuantity];
    return { of, quantity, value: valueIn(values, one) };
  });
  const elements = sheet.network.elements.map(({ id, kind, from: start, to }) => ({ id, kind, from: start, to }));
  const solved = solveWorksheet({ ...sheet, network: { elements }, givens });
  if (!solved.ok) return false;
  const wanted = valueIn(values, key);
  return [solved.value.values, solved.value.alternative].some((set) => {
    const found = set && valueIn(set, key);
    return found !== null && Math.abs(Math.abs(found) - Math.abs(wanted)) <= 1e-6 * Math.abs(wanted);
  });
}
