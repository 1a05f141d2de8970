import { reportSections, type ReportSection } from '@usual-drag/core';
import { ArrayUnique, IsIn, IsInt, IsString, Length, Matches, MaxLength, Min } from 'class-validator';
import { most } from '../limits.ts';
import { List } from './decorators.ts';

/** A signature on the report of a job, as the page sends it. */
export class SignJobDto {
  @IsInt({ message: 'must be the revision that is signed, a whole number' })
  @Min(1, { message: 'must be 1 or more' })
  revision!: number;

  /** Of the document that was on the screen: what is signed is what was seen. */
  @IsString({ message: 'must be text' })
  @Matches(/^[0-9a-f]{64}$/, { message: 'must be a SHA-256, 64 hexadecimal digits' })
  hash!: string;

  @IsString({ message: 'must be text' })
  @Length(1, most.word, { message: `must be a name of 1 to ${most.word} characters` })
  @Matches(/\S/, { message: 'must be a name' })
  by!: string;

  @List(reportSections.length)
  @ArrayUnique({ message: 'must have each section once' })
  @IsIn(reportSections, { each: true, message: `must be some of ${reportSections.join(', ')}` })
  sections!: ReportSection[];

  /** What was ticked off after the last reading. */
  @List(most.restored)
  @IsString({ each: true, message: 'must be texts' })
  @MaxLength(most.label, { each: true, message: `must have ${most.label} characters at most each` })
  restored!: string[];
}
