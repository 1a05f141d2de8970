export { KeepAttemptDto } from './attempt.dto.ts';
export { CurrentSourceDto, ElementDto, LinkDto, LoadDto, ResistorDto, SourceDto, SwitchDto } from './element.dto.ts';
export { DesignDto } from './design.dto.ts';
export { InstrumentDto } from './instrument.dto.ts';
export { JobDto, NetworkDto } from './job.dto.ts';
export { KitDto, KitInstrumentDto } from './kit.dto.ts';
export { OrderSequenceDto, SignOrderDto } from './order.dto.ts';
export {
  CreateJobDto,
  KeepVersionDto,
  SaveInstrumentDto,
  SaveJobDto,
  SaveMeterProjectDto,
  SaveReadingsDto,
} from './requests.dto.ts';
export { ReadInstrumentDto } from './read-instrument.dto.ts';
export { SignJobDto } from './sign-job.dto.ts';
export { requestSchemas } from './schema.ts';
export { AmmeterDto, SetupDto, VoltmeterDto } from './setup.dto.ts';
export { MeterProjectDto } from './meter-project.dto.ts';
export { WorksheetDto } from './worksheet.dto.ts';
export { AnsweredProblemDto, ProblemDto } from './problem.dto.ts';
