import { arrangementsOf, editRecord, newCircuit, rolesBySize, type ChosenPart, type Job } from '@usual-drag/core/job';
import type { ElementKind } from '@usual-drag/core/network';
import { useMemo, useState } from 'react';
import { NetworkPicture } from '../drawing/network-picture.tsx';
import { Button } from '../ui/button.tsx';
import { Segments } from '../ui/segments.tsx';
import { Arrangements } from './arrangements.tsx';
import { Field } from './field.tsx';
import { Roles } from './roles.tsx';

interface Props {
  readonly job: Job;
  /** `2026-11-30`. */
  readonly today: string;
  readonly onMake: (job: Job) => void;
}

/** Texts that were typed; the others are derived from the choices. */
interface Typed {
  readonly title?: string;
  readonly order?: string;
  readonly line?: string;
}

/** Other parts or names have other arrangements. */
const withoutLine = ({ line: _line, ...rest }: Typed): Typed => rest;

const namings = [
  { value: 'kept', text: 'names as they are' },
  { value: 'by-size', text: 'by size, R1 the largest' },
] as const;

/** Form for a new circuit: its parts and their names, the arrangement, and a drawing of the result. */
export function NewCircuitForm({ job, today, onMake }: Props) {
  const { elements } = job.network;
  const kept = useMemo(() => elements.map(({ id }): ChosenPart => ({ id, role: id })), [elements]);
  const [parts, setParts] = useState<readonly ChosenPart[]>(kept);
  const [left, setLeft] = useState<readonly string[]>([]);
  const [typed, setTyped] = useState<Typed>({});
  const chosen = parts.filter(({ id }) => !left.includes(id));
  const arrangements = useArrangements(job, chosen);
  const line = typed.line ?? arrangements[1]?.line ?? arrangements[0]?.line ?? '';
  const way = arrangements.find((one) => one.line === line);
  const title = typed.title ?? `${job.title ?? 'Circuit'}, ${way?.name ?? 'another circuit'}`;
  const order = typed.order ?? job.record?.order ?? '';
  const made = useMemo(
    () => newCircuit(editRecord(job, { ...job.record, order }), { title, parts: chosen, line, date: today }),
    [job, order, title, chosen, line, today],
  );
  const rename = (next: readonly ChosenPart[]): void => {
    setParts(next);
    setTyped(withoutLine);
  };
  return (
    <form
      className="grid gap-6 lg:grid-cols-[minmax(0,22rem)_1fr]"
      onSubmit={(event) => {
        event.preventDefault();
        if (made.ok) onMake(made.value);
      }}
    >
      <div className="flex flex-col gap-4">
        <Field label="Title" value={title} onChange={(text) => setTyped({ ...typed, title: text })} />
        <Field
          label="Order number"
          value={order}
          hint={orderHint(job, order)}
          onChange={(text) => setTyped({ ...typed, order: text })}
        />
        <h2 className="text-[19px] font-bold">Parts</h2>
        <Segments
          label="Names of the parts"
          wrap
          value={sameRoles(parts, rolesBySize(elements)) && !sameRoles(parts, kept) ? 'by-size' : 'kept'}
          options={namings}
          onChange={(naming) => rename(naming === 'by-size' ? rolesBySize(elements) : kept)}
        />
        <Roles
          elements={elements}
          parts={parts}
          left={left}
          onRename={(id, role) => rename(withRole(parts, id, role))}
          onToggle={(id) => {
            setLeft(left.includes(id) ? left.filter((other) => other !== id) : [...left, id]);
            setTyped(withoutLine);
          }}
        />
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        <h2 className="text-[19px] font-bold">Arrangement</h2>
        <Arrangements
          arrangements={arrangements}
          job={job}
          chosen={chosen}
          value={line}
          onChange={(next) => setTyped({ ...typed, line: next })}
        />
        <Field
          label="As a line: + in series, || in parallel, ( ) a group"
          value={line}
          fault={made.ok ? undefined : made.fault.message}
          onChange={(text) => setTyped({ ...typed, line: text })}
        />
        {made.ok && (
          <NetworkPicture network={made.value.network} label="The new circuit" height={200} className="max-h-44" />
        )}
        <p className="text-[14px] text-soft">
          Values, measured values, resistance readings, instruments and job details are copied. Switch the supply off
          before you build the circuit.
        </p>
        <Button type="submit" tone="strong" className="self-start" disabled={!made.ok}>
          Create circuit
        </Button>
      </div>
    </form>
  );
}

function orderHint({ title, record }: Job, order: string): string | undefined {
  if (order === '') return 'Circuits with the same order number are grouped on the Jobs page.';
  return record?.order === undefined ? `“${title ?? 'Untitled'}” gets it too.` : undefined;
}

/** Ways to join the chosen parts; the first source feeds them. */
function useArrangements({ network }: Job, chosen: readonly ChosenPart[]) {
  const kindOf = new Map(network.elements.map(({ id, kind }) => [id, kind]));
  const ofKind = (...kinds: readonly ElementKind[]): string[] =>
    chosen.filter(({ id }) => kinds.includes(kindOf.get(id)!)).map(({ role }) => role);
  const feed = ofKind('source', 'current-source')[0] ?? null;
  const joined = ofKind('resistor', 'load').join(' ');
  return useMemo(() => (joined === '' ? [] : arrangementsOf(feed, joined.split(' '))), [feed, joined]);
}

/** Names a part; a part that had the name gets the former name of this one. */
function withRole(parts: readonly ChosenPart[], id: string, role: string): ChosenPart[] {
  const former = parts.find((part) => part.id === id)!.role;
  return parts.map((part) => {
    if (part.id === id) return { id, role };
    return part.role === role ? { id: part.id, role: former } : part;
  });
}

const sameRoles = (a: readonly ChosenPart[], b: readonly ChosenPart[]): boolean =>
  a.every(({ role }, index) => role === b[index]?.role);
