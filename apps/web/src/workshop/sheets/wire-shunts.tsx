import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { alloys, wireDiameters, wireFor, wireShunt, windable, type WorkedSide } from '@usual-drag/core/workshop';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';
import { sectionsOf } from '../words.ts';

/** Ω up to which a section may well be made of wire. */
const wireUpTo = 10;

/** Small sections as lengths of resistance wire, with what their current does to them and how they are joined. */
export function WireShunts({ sides }: { readonly sides: readonly WorkedSide[] }) {
  const [name, setName] = useState(alloys[0]!.name);
  const [diameters, setDiameters] = useState<Readonly<Record<string, number>>>({});
  const small = sectionsOf(sides).filter(({ section }) => section.resistance <= wireUpTo);
  if (small.length === 0) return null;
  const alloy = alloys.find((one) => one.name === name)!;
  const rows = small.map((one) => {
    const { resistance } = one.section;
    const proposed = wireFor(resistance, one.current, alloy);
    const diameter = diameters[one.name] ?? proposed?.diameter ?? wireDiameters.at(-1)!;
    return { ...one, proposed, wire: wireShunt(resistance, one.current, alloy, diameter) };
  });
  const hot = rows.filter(({ wire }) => !windable(wire));
  return (
    <section aria-label="Resistance wire" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">Small shunts of resistance wire</h2>
        <Choice
          label="Alloy"
          className="w-44"
          value={name}
          options={alloys.map((one) => ({ value: one.name, text: one.name }))}
          onChange={setName}
        />
        {rows.map(({ name: of, wire }) => (
          <Choice
            key={of}
            label={`Wire of ${of}`}
            className="w-36"
            value={String(wire.diameter)}
            options={wireDiameters.map((d) => ({ value: String(d), text: `${of}: ${d} mm` }))}
            onChange={(d) => setDiameters({ ...diameters, [of]: Number(d) })}
          />
        ))}
      </div>
      <FiguresTable
        label="Shunts of wire"
        head={['Section', 'Wire', 'Length', 'Ω/m', 'A/mm²', 'Temperature rise', 'Drift', '1 mm is']}
        rows={rows.map(({ name: of, wire }) => ({
          key: of,
          cells: [
            of,
            `${wire.diameter} mm`,
            `${(wire.length * 1000).toFixed(1)} mm`,
            formatQuantity(wire.resistancePerMetre, 'Ω', { digits: 4 }),
            wire.currentDensity.toPrecision(2),
            `${wire.rise.toPrecision(2)} K`,
            formatPercent(wire.drift, { digits: 2 }),
            formatPercent(wire.perMillimetre, { digits: 2 }),
          ],
        }))}
      />
      {hot.map(({ name: of, wire, proposed }) => (
        <Note key={of} kind="limit">
          {of} of {wire.diameter} mm{' '}
          {wire.length < 0.02
            ? 'is too short to be cut to its value'
            : wire.length > 10
              ? 'is too long to wind'
              : 'gets too warm to keep its value'}
          .{' '}
          {proposed
            ? `Use ${proposed.diameter} mm.`
            : `No single wire of ${alloy.name} will do: use several in parallel, or buy a shunt.`}
        </Note>
      ))}
      <FourTerminals />
      <p className="max-w-2xl text-[14px] text-soft">
        Cut it a few per cent long and shorten it against a standard: wire is sold to some per cent only. The heating is
        computed for a straight wire in still air; a close winding gets warmer.
      </p>
    </section>
  );
}

/** Wiring of a small shunt with four terminals: the current outside, the voltage for the movement between. */
function FourTerminals() {
  return (
    <figure className="flex flex-wrap items-center gap-4">
      <svg
        role="img"
        aria-label="A shunt with four terminals: the current flows through the outer ends, the movement is joined between them"
        width="320"
        height="84"
        viewBox="0 0 320 84"
        className="max-w-full"
        fill="none"
        stroke="currentColor"
      >
        <path d="M16 42H304" strokeWidth="9" className="stroke-(--ochre-line)" />
        <path d="M40 38V12M280 38V12" strokeWidth="3" />
        <path d="M96 46V72M224 46V72" strokeWidth="1.5" />
        <g fill="currentColor" stroke="none" fontSize="13" textAnchor="middle">
          <text x="160" y="18">
            current, heavy wire
          </text>
          <text x="160" y="74">
            movement
          </text>
        </g>
        <path d="M52 14H88M268 14H232" strokeWidth="1" strokeDasharray="3 3" />
        <path d="M100 70H122M220 70H198" strokeWidth="1" strokeDasharray="3 3" />
      </svg>
      <figcaption className="max-w-sm text-[14px] text-soft">
        Four connections: the current’s at the ends, the movement’s inside them. The length counts between the inner
        ones, and the drop of the outer ones is not measured.
      </figcaption>
    </figure>
  );
}
