import {
  elementLimits,
  type CurrentSource,
  type ElementKind,
  type Link,
  type Load,
  type Resistor,
  type Source,
  type Switch,
} from '@usual-drag/core/network';
import { IsBoolean, IsIn } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Name, OptionalQuantity, Quantity, Text } from './decorators.ts';

const elementKinds = [
  'source',
  'resistor',
  'current-source',
  'load',
  'switch',
  'link',
] as const satisfies ElementKind[];

/** Keys of every element. */
export class ElementDto<Kind extends ElementKind = ElementKind> {
  @Name()
  id!: string;

  @IsIn(elementKinds, { message: `must be one of ${elementKinds.join(', ')}` })
  kind!: Kind;

  @Name()
  from!: string;

  @Name()
  to!: string;

  @Absent()
  @Text(most.label)
  label?: string;
}

/** A voltage source, or a stack of cells. */
@Describes<Source>()
export class SourceDto extends ElementDto<'source'> {
  @Quantity(elementLimits.emf)
  emf!: number;

  @OptionalQuantity(elementLimits.internalResistance)
  internalResistance?: number;

  @OptionalQuantity(elementLimits.cellsInSeries)
  cellsInSeries?: number;

  @OptionalQuantity(elementLimits.cellsInParallel)
  cellsInParallel?: number;

  @OptionalQuantity(elementLimits.currentLimit)
  currentLimit?: number;

  @OptionalQuantity(elementLimits.ceiling)
  ceiling?: number;

  @Absent()
  @Text(most.word)
  channel?: string;
}

/** A resistor. */
@Describes<Resistor>()
export class ResistorDto extends ElementDto<'resistor'> {
  @Quantity(elementLimits.resistance)
  resistance!: number;

  @OptionalQuantity(elementLimits.tolerance)
  tolerance?: number;

  @OptionalQuantity(elementLimits.powerRating)
  powerRating?: number;

  @OptionalQuantity(elementLimits.measuredResistance)
  measuredResistance?: number;

  @Absent()
  @Text(most.label)
  bodyLabel?: string;
}

/** A current source. */
@Describes<CurrentSource>()
export class CurrentSourceDto extends ElementDto<'current-source'> {
  @Quantity(elementLimits.current)
  current!: number;

  @OptionalQuantity(elementLimits.compliance)
  compliance?: number;

  @OptionalQuantity(elementLimits.ceiling)
  ceiling?: number;

  @Absent()
  @Text(most.word)
  channel?: string;
}

/** A lamp or other load, with the quantities of its law. */
@Describes<Load>()
export class LoadDto extends ElementDto<'load'> {
  @Quantity(elementLimits.ratedVoltage)
  ratedVoltage!: number;

  @Quantity(elementLimits.ratedCurrent)
  ratedCurrent!: number;

  @OptionalQuantity(elementLimits.exponent)
  exponent?: number;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  polarised?: boolean;
}

/** A switch. */
@Describes<Switch>()
export class SwitchDto extends ElementDto<'switch'> {
  @IsBoolean({ message: 'must be true or false' })
  closed!: boolean;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  momentary?: boolean;
}

/** A wire. */
@Describes<Link>()
export class LinkDto extends ElementDto<'link'> {}

/** Class of each kind of element. */
export const elementSubTypes = [
  { value: SourceDto, name: 'source' },
  { value: ResistorDto, name: 'resistor' },
  { value: CurrentSourceDto, name: 'current-source' },
  { value: LoadDto, name: 'load' },
  { value: SwitchDto, name: 'switch' },
  { value: LinkDto, name: 'link' },
];
