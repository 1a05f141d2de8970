import { MeterProjectDto } from '@usual-drag/contract/forms';
import { fuseFor, type Side, type MeterProject } from '@usual-drag/core/workshop';
import { Plus } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { DocumentForm } from '../../ui/form/document-form.tsx';
import { NumberInput } from '../../ui/form/number-input.tsx';
import { TextInput } from '../../ui/form/text-input.tsx';
import { inUnit } from '../../ui/number-field.ts';
import { MovementForm } from './movement-form.tsx';
import { PartsForm } from './parts-form.tsx';
import { SideForm } from './side-form.tsx';

interface Props {
  readonly project: MeterProject;
  readonly onChange: (project: MeterProject) => void;
}

/** Requirements: the movement, one side or both with their ranges, the parts to choose from, a fuse. */
export function MeterProjectForm({ project, onChange }: Props) {
  const { sides, fuse } = project;
  const putSides = (next: readonly Side[]): void => onChange({ ...project, sides: next });
  const [only] = sides as [Side];
  const other: Side =
    only.target === 'ammeter'
      ? { target: 'voltmeter', scheme: 'string', ranges: [10], across: 'movement' }
      : { target: 'ammeter', scheme: 'universal', ranges: [0.01, 0.1] };
  const shunt = sides.some(({ target, scheme }) => target === 'ammeter' && scheme === 'universal');
  const putFuse = (rating: number | undefined): void => {
    const { fuse: was, ...rest } = project;
    onChange(rating === undefined ? rest : { ...rest, fuse: { rating, resistance: was?.resistance ?? 0 } });
  };
  const amps = sides.find(({ target }) => target === 'ammeter')?.ranges ?? [];
  const proposed = amps.length > 0 ? fuseFor(Math.max(...amps)) : null;
  return (
    <DocumentForm label="Meter" dto={MeterProjectDto} values={project} onChange={onChange} className="contents">
      <TextInput name="title" label="Name of the meter" placeholder="Untitled" />
      <MovementForm project={project} onChange={onChange} />
      {sides.map((side, index) => (
        <SideForm
          key={side.target}
          side={side}
          hasUniversalShunt={shunt && sides.length > 1}
          onRemove={sides.length > 1 ? () => putSides(sides.filter((_, k) => k !== index)) : null}
          onChange={(next) => putSides(sides.map((was, k) => (k === index ? next : was)))}
        />
      ))}
      {sides.length === 1 && (
        <div className="-mt-2 flex flex-wrap gap-1">
          <Button tone="quiet" onClick={() => putSides([...sides, other])}>
            <Plus aria-hidden size={15} /> {other.target} on the same movement
          </Button>
          <Button tone="quiet" onClick={() => putSides([other])}>
            make it {other.target === 'ammeter' ? 'an ammeter' : 'a voltmeter'} instead
          </Button>
        </div>
      )}
      <PartsForm project={project} onChange={onChange} />
      <section aria-label="Fuse" className="flex flex-wrap gap-2">
        <NumberInput
          name="fuse.rating"
          onTake={putFuse}
          label="Fuse in series"
          writing={inUnit('A')}
          className="w-44"
          placeholder={proposed === null ? 'none' : `none; ${inUnit('A').print(proposed)} fits`}
        />
        {fuse && (
          <NumberInput
            name="fuse.resistance"
            label="Its resistance"
            writing={inUnit('Ω')}
            limit="not-negative"
            needed
            className="w-28"
          />
        )}
      </section>
    </DocumentForm>
  );
}
