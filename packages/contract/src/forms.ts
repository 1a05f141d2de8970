/** The classes that forms are checked by as they are filled in. */
export { JobRecordDto } from './dto/job-record.dto.ts';
export { KitInstrumentDto } from './dto/kit.dto.ts';
export { MeterProjectDto, MovementMeasurementDto } from './dto/meter-project.dto.ts';
