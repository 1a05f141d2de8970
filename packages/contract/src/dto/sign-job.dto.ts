import { reportSections, type ReportSection } from '@usual-drag/core/report';
import { ArrayMinSize, ArrayUnique, IsIn, IsString, Length, Matches, MaxLength } from 'class-validator';
import { most } from '../limits.ts';
import { List, Revision } from './decorators.ts';

/** At least one letter or digit, and no character that is not shown. */
const visibleName = /^(?=.*[\p{L}\p{N}])[^\p{C}\p{Zl}\p{Zp}\p{Default_Ignorable_Code_Point}]+$/u;

/** A signature on the report of a job, as the page sends it. */
export class SignJobDto {
  @Revision(1)
  revision!: number;

  /** Of the document that was on the screen: what is signed is what was seen. */
  @IsString({ message: 'must be text' })
  @Matches(/^[0-9a-f]{64}$/, { message: 'must be a SHA-256, 64 hexadecimal digits' })
  hash!: string;

  @IsString({ message: 'must be text' })
  @Length(1, most.word, { message: `must be a name of 1 to ${most.word} characters` })
  @Matches(visibleName, { message: 'must be a name that can be read' })
  by!: string;

  @List(reportSections.length)
  @ArrayMinSize(1, { message: 'must have at least one section: nothing would be signed' })
  @ArrayUnique({ message: 'must have each section once' })
  @IsIn(reportSections, { each: true, message: `must be some of ${reportSections.join(', ')}` })
  sections!: ReportSection[];

  /** Ticks after the last reading. */
  @List(most.restored)
  @IsString({ each: true, message: 'must be texts' })
  @MaxLength(most.label, { each: true, message: `must have ${most.label} characters at most each` })
  restored!: string[];
}
