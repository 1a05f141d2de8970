import { reportSections, type ReportSection } from '@usual-drag/core/report';
import { ArrayMinSize, ArrayUnique, IsIn } from 'class-validator';
import { List, Revision } from './decorators.ts';
import { SignerDto } from './signer.ts';

/** A signature on the report of a job, as the page sends it; `hash` is the document's. */
export class SignJobDto extends SignerDto {
  @Revision(1)
  revision!: number;

  @List(reportSections.length)
  @ArrayMinSize(1, { message: 'must have at least one section: nothing would be signed' })
  @ArrayUnique({ message: 'must have each section once' })
  @IsIn(reportSections, { each: true, message: `must be some of ${reportSections.join(', ')}` })
  sections!: ReportSection[];
}
