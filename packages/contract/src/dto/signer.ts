import { IsString, Length, Matches, MaxLength } from 'class-validator';
import { most } from '../limits.ts';
import { List } from './decorators.ts';

/** At least one letter or digit, and no character that is not shown. */
const visibleName = /^(?=.*[\p{L}\p{N}])[^\p{C}\p{Zl}\p{Zp}\p{Default_Ignorable_Code_Point}]+$/u;

/** Keys of every signature that a page sends. */
export class SignerDto {
  /** Hash of what was on the screen: only that is signed. */
  @IsString({ message: 'must be text' })
  @Matches(/^[0-9a-f]{64}$/, { message: 'must be a SHA-256, 64 hexadecimal digits' })
  hash!: string;

  @IsString({ message: 'must be text' })
  @Length(1, most.word, { message: `must be a name of 1 to ${most.word} characters` })
  @Matches(visibleName, { message: 'must be a name that can be read' })
  by!: string;

  /** Ticks after the last reading. */
  @List(most.restored)
  @IsString({ each: true, message: 'must be texts' })
  @MaxLength(most.label, { each: true, message: `must have ${most.label} characters at most each` })
  restored!: string[];
}
