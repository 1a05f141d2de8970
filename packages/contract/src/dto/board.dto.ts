import { boardRows, holePattern, type Board, type BoardPart, type BoardWire } from '@usual-drag/core/board';
import { Type } from 'class-transformer';
import { Equals, IsInt, IsString, Matches, Max, Min, ValidateNested } from 'class-validator';
import { most } from '../limits.ts';
import { Absent, Describes, List, Name, valueRule } from './decorators.ts';

const Hole: PropertyDecorator = (target, key) => {
  IsString({ message: 'must be text' })(target, key);
  Matches(holePattern, { ...valueRule, message: 'must be a hole such as 5a, or 5L+ of a rail' })(target, key);
};

@Describes<BoardPart>()
class BoardPartDto {
  @Name()
  id!: string;

  @Absent()
  @Hole
  from?: string;

  @Absent()
  @Hole
  to?: string;
}

@Describes<BoardWire>()
class BoardWireDto {
  @Hole
  from!: string;

  @Hole
  to!: string;
}

/** Places of parts and wires on a strip board. */
@Describes<Omit<Board, 'parts' | 'wires'> & { parts: BoardPartDto[]; wires: BoardWireDto[] }>()
export class BoardDto {
  @IsInt({ message: 'must be a whole number' })
  @Min(boardRows.least, { ...valueRule, message: `must be ${boardRows.least} or more` })
  @Max(boardRows.most, { ...valueRule, message: `must be ${boardRows.most} or less` })
  rows!: number;

  @Absent()
  @Equals(true, { message: 'must be true' })
  splitRails?: true;

  @List(most.boardParts)
  @ValidateNested({ each: true })
  @Type(() => BoardPartDto)
  parts!: BoardPartDto[];

  @List(most.wires)
  @ValidateNested({ each: true })
  @Type(() => BoardWireDto)
  wires!: BoardWireDto[];
}
