import { JobRecordDto } from '@usual-drag/contract/forms';
import { editRecord, type JobRecord } from '@usual-drag/core/job';
import { useCallback } from 'react';
import { DocumentForm } from '../../ui/form/document-form.tsx';
import { NumberInput } from '../../ui/form/number-input.tsx';
import { TextInput } from '../../ui/form/text-input.tsx';
import { useBench } from '../model/bench-store.ts';
import { readTemperature, temperatureText } from './temperature.ts';

const nothing: JobRecord = {};

/** The job details: where, on what, for which order, by whom and when. */
export function JobHead() {
  const record = useBench((state) => state.document.record) ?? nothing;
  const edit = useBench((state) => state.edit);
  const put = useCallback((next: JobRecord) => edit((job) => editRecord(job, next)), [edit]);
  return (
    <DocumentForm
      label="Job details"
      dto={JobRecordDto}
      values={record}
      onChange={put}
      className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3"
    >
      <TextInput name="site" label="Site" className="col-span-2 sm:col-span-3" placeholder="Saltmarsh Lift Station" />
      <TextInput name="asset" label="Asset" placeholder="SL-…" />
      <TextInput name="order" label="Order" />
      <TextInput name="by" label="By" />
      <TextInput name="date" label="Date" type="date" />
      <NumberInput
        name="ambient"
        label="Ambient, °C"
        limit="any"
        writing={{ parse: readTemperature, print: temperatureText }}
        placeholder="21.5"
      />
      <TextInput name="notes" label="Notes" lines={3} className="col-span-2 sm:col-span-3" />
    </DocumentForm>
  );
}
