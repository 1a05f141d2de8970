import { deviationBar } from './deviation-bar.ts';

it('is to scale up to 5u, upwards for a reading above its prediction', () => {
  expect(deviationBar(2.5, 16)).toMatchObject({ y: 8, height: 8, isFar: true, text: '+2.5' });
  expect(deviationBar(-1.25, 16)).toMatchObject({ y: 16, height: 4, isFar: false, text: '−1.3' });
  expect(deviationBar(24, 16)).toMatchObject({ y: 0, height: 16, text: '+24' });
});

it('is still visible at zero, and states a limit for what is beyond every scale', () => {
  expect(deviationBar(0, 16)).toMatchObject({ y: 16, height: 1.5, isFar: false });
  expect(deviationBar(-Infinity, 16)).toMatchObject({ y: 16, height: 16, text: '>−999' });
});
