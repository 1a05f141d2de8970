import { editRecord, newJob } from './index.ts';

test('a job with a head is of version 2, and of version 1 again once the head is empty', () => {
  const job = newJob('Divider');
  const headed = editRecord(job, { asset: 'SL-014', order: '', ambient: 0 });
  expect(headed).toEqual({ ...job, version: 2, record: { asset: 'SL-014', ambient: 0 } });
  expect(editRecord(headed, {})).toEqual(job);
});

test('a job of version 2 with a polarised load stays one: in version 1 the load would conduct both ways', () => {
  const lamp = {
    id: 'L1',
    kind: 'load',
    from: 'A',
    to: '0',
    ratedVoltage: 12,
    ratedCurrent: 0.1,
    polarised: true,
  } as const;
  const job = editRecord({ ...newJob('Panel'), network: { elements: [lamp] } }, { asset: 'SL-022' });
  expect(editRecord(job, {}).version).toBe(2);
});
