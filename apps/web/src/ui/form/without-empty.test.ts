import { withoutEmpty } from './without-empty.ts';

test('what was left empty goes, zero and false stay, at every depth', () => {
  expect(
    withoutEmpty({
      site: '',
      ambient: 0,
      fuse: { rating: undefined, resistance: 1 },
      sides: [{ across: '', ranges: [0] }],
    }),
  ).toEqual({ ambient: 0, fuse: { resistance: 1 }, sides: [{ ranges: [0] }] });
  expect(withoutEmpty({ retired: false, of: null })).toEqual({ retired: false, of: null });
});
