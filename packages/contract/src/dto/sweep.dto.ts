import { connections, type Connection } from '@usual-drag/core/loading';
import type { Sweep, SweepMeter, SweepPoint } from '@usual-drag/core/readings';
import { Type } from 'class-transformer';
import { IsIn, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, Id, List, Name, Quantity } from './decorators.ts';
import { ObservationDto } from './reading.dto.ts';

@Describes<SweepMeter>()
class SweepMeterDto {
  @Id()
  instrument!: string;

  @Id()
  range!: string;
}

@Describes<SweepPoint>()
class SweepPointDto {
  @Quantity('any')
  set!: number;

  @Absent()
  @ValidateNested()
  @Type(() => ObservationDto)
  voltage?: ObservationDto;

  @Absent()
  @ValidateNested()
  @Type(() => ObservationDto)
  current?: ObservationDto;
}

/** Voltage and current of a part at several settings of a source. */
@Describes<Sweep>()
export class SweepDto {
  @Name()
  id!: string;

  @Name()
  element!: string;

  @Name()
  source!: string;

  @IsIn(connections, { message: 'must be across-part or across-both' })
  connection!: Connection;

  @ValidateNested()
  @Type(() => SweepMeterDto)
  voltmeter!: SweepMeterDto;

  @ValidateNested()
  @Type(() => SweepMeterDto)
  ammeter!: SweepMeterDto;

  @List(most.sweepPoints)
  @ValidateNested({ each: true })
  @Type(() => SweepPointDto)
  points!: SweepPointDto[];
}
