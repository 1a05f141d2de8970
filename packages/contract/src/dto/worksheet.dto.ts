import { elementLimits } from '@usual-drag/core/network';
import {
  sheetQuantities,
  type Given,
  type SheetElement,
  type SheetQuantity,
  type SheetResistor,
  type SheetSource,
  type Worksheet,
} from '@usual-drag/core/worksheet';
import { Type } from 'class-transformer';
import { Equals, IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, List, Name, OptionalQuantity, Quantity, Text } from './decorators.ts';

const sheetKinds = ['source', 'resistor'] as const satisfies SheetElement['kind'][];

/** Keys of every part of a worksheet. */
class SheetElementDto<Kind extends SheetElement['kind'] = SheetElement['kind']> {
  @Name()
  id!: string;

  @IsIn(sheetKinds, { message: `must be one of ${sheetKinds.join(', ')}` })
  kind!: Kind;

  @Name()
  from!: string;

  @Name()
  to!: string;

  @Absent()
  @Text(most.label)
  label?: string;
}

@Describes<SheetSource>()
class SheetSourceDto extends SheetElementDto<'source'> {
  @OptionalQuantity(elementLimits.emf)
  emf?: number;
}

@Describes<SheetResistor>()
class SheetResistorDto extends SheetElementDto<'resistor'> {
  @OptionalQuantity(elementLimits.resistance)
  resistance?: number;
}

/** Class of each kind of element of a worksheet. */
export const sheetElementSubTypes = [
  { value: SheetSourceDto, name: 'source' },
  { value: SheetResistorDto, name: 'resistor' },
];

class SheetNetworkDto {
  @Absent()
  @Name()
  reference?: string;

  @List(most.sheetElements)
  @ValidateNested({ each: true })
  @Type(() => SheetElementDto, {
    keepDiscriminatorProperty: true,
    discriminator: { property: 'kind', subTypes: sheetElementSubTypes },
  })
  elements!: SheetElementDto[];
}

@Describes<Given>()
class GivenDto {
  @Name()
  of!: string;

  @IsIn(sheetQuantities, { message: `must be one of ${sheetQuantities.join(', ')}` })
  quantity!: SheetQuantity;

  @Quantity('any')
  value!: number;
}

/** A worksheet file, `*.worksheet.json`. */
@Describes<Omit<Worksheet, 'network'> & { network: SheetNetworkDto }>()
export class WorksheetDto {
  @Equals('usual-drag/worksheet', { message: 'must be usual-drag/worksheet' })
  format!: 'usual-drag/worksheet';

  @Equals(1, { message: 'must be 1' })
  version!: 1;

  @Absent()
  @Text(most.title)
  title?: string;

  @ValidateNested()
  @Type(() => SheetNetworkDto)
  network!: SheetNetworkDto;

  @List(most.givens)
  @ValidateNested({ each: true })
  @Type(() => GivenDto)
  givens!: GivenDto[];
}
