import { fetchAhead, pageLater } from './fetched-later.ts';

test('a page is asked for until it is there', async () => {
  jest.useFakeTimers();
  let asked = 0;
  const page = (): string => 'a page';
  const open = pageLater(() => {
    asked += 1;
    return asked < 3 ? Promise.reject(new Error('no answer')) : Promise.resolve(page);
  });
  const opened = open();
  await jest.advanceTimersByTimeAsync(3000);
  expect(asked).toBe(2);
  await jest.advanceTimersByTimeAsync(2000);
  expect((await opened).Component).toBe(page);
  jest.useRealTimers();
});

test('everything is fetched ahead, also what comes with a part; what fails does not hold the others up', async () => {
  const fetched: string[] = [];
  pageLater(() => Promise.reject(new Error('no answer')));
  pageLater(() => {
    fetched.push('outer');
    pageLater(() => {
      fetched.push('inner');
      return Promise.resolve('inner');
    });
    return Promise.resolve('outer');
  });
  await fetchAhead();
  expect(fetched).toEqual(['outer', 'inner']);
});
