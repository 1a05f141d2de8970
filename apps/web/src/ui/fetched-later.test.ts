import { codeLater, fetchAhead } from './fetched-later.ts';

test('a part is asked for until it is there', async () => {
  jest.useFakeTimers();
  let asked = 0;
  const part = (): string => 'a part';
  const open = codeLater(() => {
    asked += 1;
    return asked < 3 ? Promise.reject(new Error('no answer')) : Promise.resolve(part);
  });
  const opened = open();
  await jest.advanceTimersByTimeAsync(3000);
  expect(asked).toBe(2);
  await jest.advanceTimersByTimeAsync(2000);
  expect(await opened).toBe(part);
  jest.useRealTimers();
});

test('everything is fetched ahead, also what comes with a part; what fails does not hold the others up', async () => {
  const fetched: string[] = [];
  codeLater(() => Promise.reject(new Error('no answer')));
  codeLater(() => {
    fetched.push('outer');
    codeLater(() => {
      fetched.push('inner');
      return Promise.resolve('inner');
    });
    return Promise.resolve('outer');
  });
  await fetchAhead();
  expect(fetched).toEqual(['outer', 'inner']);
});
