import { formatQuantity } from '@usual-drag/core/quantity';
import { compareSchemes, type Design, type Movement } from '@usual-drag/core/workshop';
import { useMemo } from 'react';

const names: Readonly<Record<string, string>> = {
  'ammeter individual': 'individual shunts',
  'ammeter universal': 'universal shunt',
  'voltmeter individual': 'individual multipliers',
  'voltmeter string': 'multiplier chain',
};

/** Both schemes compared: burden, power, the switch that is needed, and what happens when a contact opens. */
export function SchemeComparison({ design, movement }: { readonly design: Design; readonly movement: Movement }) {
  const schemes = useMemo(() => compareSchemes(design, movement), [design, movement]);
  const rows: readonly (readonly [string, (scheme: (typeof schemes)[number]) => string])[] = [
    [
      'Resistances',
      ({ resistances }) => resistances.map((value) => formatQuantity(value, 'Ω', { digits: 4 })).join(', '),
    ],
    ...(design.target === 'ammeter'
      ? [
          [
            'Burden',
            ({ burden }: (typeof schemes)[number]) =>
              burden!.map((value) => formatQuantity(value, 'V', { digits: 4 })).join(' to '),
          ] as const,
        ]
      : []),
    ['Maximum power', ({ power }) => formatQuantity(power, 'W', { digits: 3 })],
    ['Switch', ({ selector }) => selector],
    ['A contact opens', ({ whenOpen }) => whenOpen],
  ];
  return (
    <details>
      <summary className="text-[17px] font-bold">Both schemes of the {design.target} compared</summary>
      <table className="mt-2 w-full table-fixed border-collapse text-[14px]">
        <thead>
          <tr className="border-b border-line text-left">
            <th scope="col" className="w-36 px-1.5 py-1 font-medium text-soft">
              What
            </th>
            {schemes.map(({ scheme }) => (
              <th key={scheme} scope="col" className="px-1.5 py-1 font-bold">
                {names[`${design.target} ${scheme}`]}
                {scheme === design.scheme && ' (chosen)'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([head, text]) => (
            <tr key={head} className="border-b border-line/60 align-top">
              <th scope="row" className="px-1.5 py-1 text-left font-medium text-soft">
                {head}
              </th>
              {schemes.map((scheme) => (
                <td key={scheme.scheme} className="px-1.5 py-1">
                  {text(scheme)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
