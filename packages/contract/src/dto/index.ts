export { CurrentSourceDto, ElementDto, LinkDto, LoadDto, ResistorDto, SourceDto, SwitchDto } from './element.dto.ts';
export { DesignDto } from './design.dto.ts';
export { InstrumentDto } from './instrument.dto.ts';
export { JobDto, NetworkDto } from './job.dto.ts';
export { KitDto, KitInstrumentDto } from './kit.dto.ts';
export { CreateJobDto, KeepVersionDto, SaveInstrumentDto, SaveJobDto, SaveMeterProjectDto } from './requests.dto.ts';
export { requestSchemas } from './schema.ts';
export { AmmeterDto, SetupDto, VoltmeterDto } from './setup.dto.ts';
export { MeterProjectDto } from './meter-project.dto.ts';
