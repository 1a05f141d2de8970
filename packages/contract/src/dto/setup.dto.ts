import type { MeterQuantity } from '@usual-drag/core/instrument';
import type { AmmeterPlacement, Setup, VoltmeterPlacement } from '@usual-drag/core/loading';
import { Type } from 'class-transformer';
import { IsBoolean, IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Ends, Id, List, Name } from './decorators.ts';
import { meterQuantities } from './instrument.dto.ts';

/** Keys of every meter of a set-up. */
export class MeterDto<Quantity extends MeterQuantity = MeterQuantity> {
  @Name()
  id!: string;

  @Id()
  instrument!: string;

  @IsIn(meterQuantities, { message: `must be one of ${meterQuantities.join(', ')}` })
  quantity!: Quantity;

  @Id()
  range!: string;
}

/** A voltmeter in a set-up. */
@Describes<VoltmeterPlacement>()
export class VoltmeterDto extends MeterDto<'dc-voltage'> {
  @Name()
  red!: string;

  @Name()
  black!: string;
}

/** An ammeter in a set-up. */
@Describes<AmmeterPlacement>()
export class AmmeterDto extends MeterDto<'dc-current'> {
  @Name()
  node!: string;

  @Ends()
  ends!: string[];

  @Absent()
  @IsBoolean({ message: 'must be true or false' })
  reversed?: boolean;
}

/** Class of each meter. */
export const meterSubTypes = [
  { value: VoltmeterDto, name: 'dc-voltage' },
  { value: AmmeterDto, name: 'dc-current' },
];

/** A set-up of meters. */
@Describes<{ [K in keyof Setup]: unknown }>()
export class SetupDto {
  @Name()
  id!: string;

  @List(most.meters)
  @ValidateNested({ each: true })
  @Type(() => MeterDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'quantity', subTypes: meterSubTypes },
  })
  meters!: MeterDto[];
}
