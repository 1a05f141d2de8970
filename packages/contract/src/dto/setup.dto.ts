import type { MeterQuantity } from '@usual-drag/core';
import { Type } from 'class-transformer';
import { ArrayMinSize, IsArray, IsBoolean, IsIn, IsString, ValidateNested } from 'class-validator';
import { Absent, Id, Name, valueRule } from './decorators.ts';
import { meterQuantities } from './instrument.dto.ts';

/** What every meter of a set-up has. */
export class MeterDto {
  @Name()
  id!: string;

  @Id()
  instrument!: string;

  @IsIn(meterQuantities, { message: `must be one of ${meterQuantities.join(', ')}` })
  quantity!: MeterQuantity;

  @Id()
  range!: string;
}

export class VoltmeterDto extends MeterDto {
  @Name()
  red!: string;

  @Name()
  black!: string;
}

export class AmmeterDto extends MeterDto {
  @Name()
  node!: string;

  @IsArray({ message: 'must be a list of ends such as R3.from' })
  @ArrayMinSize(1, { ...valueRule, message: 'must name at least one end' })
  @IsString({ each: true, message: 'must be a list of ends such as R3.from' })
  ends!: string[];

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  reversed?: boolean;
}

export const meterSubTypes = [
  { value: VoltmeterDto, name: 'dc-voltage' },
  { value: AmmeterDto, name: 'dc-current' },
];

export class SetupDto {
  @Name()
  id!: string;

  @IsArray({ message: 'must be a list' })
  @ValidateNested({ each: true })
  @Type(() => MeterDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: meterSubTypes },
  })
  meters!: MeterDto[];
}
