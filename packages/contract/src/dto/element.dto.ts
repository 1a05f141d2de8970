import { elementLimits, type ElementKind } from '@usual-drag/core';
import { IsBoolean, IsIn } from 'class-validator';
import { Absent, Name, OptionalQuantity, Quantity, Text } from './decorators.ts';

const elementKinds = [
  'source',
  'resistor',
  'current-source',
  'load',
  'switch',
  'link',
] as const satisfies ElementKind[];

/** What every element has. */
export class ElementDto {
  @Name()
  id!: string;

  @IsIn(elementKinds, { message: `must be one of ${elementKinds.join(', ')}` })
  kind!: ElementKind;

  @Name()
  from!: string;

  @Name()
  to!: string;

  @Absent()
  @Text()
  label?: string;
}

export class SourceDto extends ElementDto {
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
}

export class ResistorDto extends ElementDto {
  @Quantity(elementLimits.resistance)
  resistance!: number;

  @OptionalQuantity(elementLimits.tolerance)
  tolerance?: number;

  @OptionalQuantity(elementLimits.powerRating)
  powerRating?: number;

  @OptionalQuantity(elementLimits.measuredResistance)
  measuredResistance?: number;
}

export class CurrentSourceDto extends ElementDto {
  @Quantity(elementLimits.current)
  current!: number;

  @OptionalQuantity(elementLimits.compliance)
  compliance?: number;
}

export class LoadDto extends ElementDto {
  @Quantity(elementLimits.ratedVoltage)
  ratedVoltage!: number;

  @Quantity(elementLimits.ratedCurrent)
  ratedCurrent!: number;

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  polarised?: boolean;
}

export class SwitchDto extends ElementDto {
  @IsBoolean({ message: 'must be true or false' })
  closed!: boolean;
}

export class LinkDto extends ElementDto {}

export const elementSubTypes = [
  { value: SourceDto, name: 'source' },
  { value: ResistorDto, name: 'resistor' },
  { value: CurrentSourceDto, name: 'current-source' },
  { value: LoadDto, name: 'load' },
  { value: SwitchDto, name: 'switch' },
  { value: LinkDto, name: 'link' },
];
