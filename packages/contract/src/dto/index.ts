export { CurrentSourceDto, ElementDto, LinkDto, LoadDto, ResistorDto, SourceDto, SwitchDto } from './element.dto.ts';
export { InstrumentDto } from './instrument.dto.ts';
export { JobDto, NetworkDto } from './job.dto.ts';
export { CreateJobDto, SaveJobDto } from './requests.dto.ts';
export { jobSchema, requestSchemas } from './schema.ts';
export { AmmeterDto, SetupDto, VoltmeterDto } from './setup.dto.ts';
