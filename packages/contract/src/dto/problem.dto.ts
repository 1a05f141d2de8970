import {
  levels,
  problemKinds,
  type Answer,
  type Ask,
  type AskedFor,
  type Level,
  type Problem,
  type ProblemKind,
} from '@usual-drag/core/practice';
import { Type } from 'class-transformer';
import { Equals, IsIn, IsInt, IsObject, Matches, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Id, List, Name, Quantity, Text, valueRule } from './decorators.ts';
import { DesignDto } from './design.dto.ts';
import { JobDto } from './job.dto.ts';

type What = AskedFor['what'];

const whats = [
  'equivalent',
  'voltage',
  'current',
  'power',
  'charge',
  'indicated',
  'true',
  'error',
  'relative-error',
  'range',
  'corrected',
  'needle',
  'jack',
  'fuse',
  'section',
  'fault',
] as const satisfies What[];

/** Keys of every question. */
class AskedForDto {
  @IsIn(whats, { message: `must be one of ${whats.join(', ')}` })
  what!: What;
}

class EquivalentAskedDto extends AskedForDto {
  @Name()
  source!: string;
}

class PartAskedDto extends AskedForDto {
  @Name()
  element!: string;
}
class VoltageAskedDto extends PartAskedDto {}
class CurrentAskedDto extends PartAskedDto {}
class PowerAskedDto extends PartAskedDto {}

class ChargeAskedDto extends PartAskedDto {
  @Quantity('positive')
  seconds!: number;
}

class MeterAskedDto extends AskedForDto {
  @Name()
  setup!: string;

  @Name()
  meter!: string;
}
class IndicatedAskedDto extends MeterAskedDto {}
class TrueAskedDto extends MeterAskedDto {}
class ErrorAskedDto extends MeterAskedDto {}
class RelativeErrorAskedDto extends MeterAskedDto {}
class RangeAskedDto extends MeterAskedDto {}

class CorrectedAskedDto extends MeterAskedDto {
  @Quantity('any')
  shown!: number;
}

class NeedleAskedDto extends CorrectedAskedDto {}
class JackAskedDto extends MeterAskedDto {}
class FuseAskedDto extends MeterAskedDto {
  @Id()
  range!: string;

  @Name()
  source!: string;
}

class SectionAskedDto extends AskedForDto {
  @Quantity('positive')
  range!: number;
}

class FaultAskedDto extends AskedForDto {}

/** Class of each question. */
export const askedForSubTypes = [
  { value: EquivalentAskedDto, name: 'equivalent' },
  { value: VoltageAskedDto, name: 'voltage' },
  { value: CurrentAskedDto, name: 'current' },
  { value: PowerAskedDto, name: 'power' },
  { value: ChargeAskedDto, name: 'charge' },
  { value: IndicatedAskedDto, name: 'indicated' },
  { value: TrueAskedDto, name: 'true' },
  { value: ErrorAskedDto, name: 'error' },
  { value: RelativeErrorAskedDto, name: 'relative-error' },
  { value: RangeAskedDto, name: 'range' },
  { value: CorrectedAskedDto, name: 'corrected' },
  { value: NeedleAskedDto, name: 'needle' },
  { value: JackAskedDto, name: 'jack' },
  { value: FuseAskedDto, name: 'fuse' },
  { value: SectionAskedDto, name: 'section' },
  { value: FaultAskedDto, name: 'fault' },
];

@Describes<Omit<Ask, 'of'> & { of: AskedForDto }>()
class AskDto {
  @Id()
  id!: string;

  @Text(most.notes)
  text!: string;

  @ValidateNested()
  @Type(() => AskedForDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'what', subTypes: askedForSubTypes },
  })
  of!: AskedForDto;

  @Absent()
  @Matches(/^([pnµmkMG]?[VAΩWC]|%)$/, { ...valueRule, message: 'must be V, A, Ω, W or C with a prefix, or %' })
  unit?: string;
}

/** A problem, as `practice` prints it. */
@Describes<
  Omit<Problem, 'job' | 'design' | 'asks' | 'solution'> & Pick<ProblemDto, 'job' | 'design' | 'asks' | 'solution'>
>()
export class ProblemDto {
  @Equals('usual-drag/problem', { message: 'must be usual-drag/problem' })
  format!: 'usual-drag/problem';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @IsIn(problemKinds, { message: `must be one of ${problemKinds.join(', ')}` })
  kind!: ProblemKind;

  @IsIn(levels, { message: 'must be 1, 2 or 3' })
  level!: Level;

  @IsInt({ message: 'must be a whole number' })
  seed!: number;

  @Text(most.notes)
  text!: string;

  @Absent()
  @ValidateNested()
  @Type(() => JobDto)
  job?: JobDto;

  @Absent()
  @ValidateNested()
  @Type(() => DesignDto)
  design?: DesignDto;

  @List(most.asks)
  @ValidateNested({ each: true })
  @Type(() => AskDto)
  asks!: AskDto[];

  @Absent()
  @IsObject({ message: 'must be an object' })
  solution?: Record<string, { value: Answer }>;
}

/** A problem with answers to be marked. */
export class AnsweredProblemDto {
  @ValidateNested()
  @Type(() => ProblemDto)
  problem!: ProblemDto;

  @IsObject({ message: 'must be an object of answers by their questions’ ids' })
  answers!: Record<string, unknown>;
}
