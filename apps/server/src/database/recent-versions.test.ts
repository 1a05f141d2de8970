import { RecentVersions } from './recent-versions.ts';

const version = (revision: number, document = `at ${revision}`, id = 'a') => ({
  id,
  revision,
  updatedAt: '',
  document,
});

test('the newest version and the eight latest of a document are in memory', () => {
  const versions = new RecentVersions<string>();
  for (let revision = 1; revision <= 10; revision += 1) versions.addSaved(version(revision), 10);
  expect(versions.newest('a')?.revision).toBe(10);
  expect([2, 3, 10, 11].map((revision) => versions.at('a', revision))).toEqual([undefined, 'at 3', 'at 10', undefined]);
  expect(versions.newest('b')).toBeUndefined();
});

test('after a gap or a step back the former versions are removed: they belong to another history', () => {
  const versions = new RecentVersions<string>();
  for (const revision of [1, 2, 3, 7]) versions.addSaved(version(revision), 10);
  expect([3, 7].map((revision) => versions.at('a', revision))).toEqual([undefined, 'at 7']);
  versions.addSaved(version(2, 'restored'), 10);
  expect([versions.newest('a')?.document, versions.at('a', 7)]).toEqual(['restored', undefined]);
});

test('a version that was read does not replace a newer one that was saved meanwhile', () => {
  const versions = new RecentVersions<string>();
  versions.addSaved(version(3), 10);
  versions.addRead(version(2), 10);
  expect(versions.newest('a')?.revision).toBe(3);
  versions.addRead(version(4), 10);
  expect([versions.newest('a')?.revision, versions.at('a', 3)]).toEqual([4, 'at 3']);
});

test('memory is limited by the characters of all versions, and the documents used last remain', () => {
  const versions = new RecentVersions<string>();
  const characters = 4 * 2 ** 20;
  for (const id of ['a', 'b', 'c', 'd']) versions.addSaved(version(1, id, id), characters);
  expect(versions.newest('a')?.document).toBe('a');
  versions.addSaved(version(1, 'e', 'e'), characters);
  expect(['a', 'b', 'e'].map((id) => versions.newest(id)?.document)).toEqual(['a', undefined, 'e']);
});

test('one document is removed, or all', () => {
  const versions = new RecentVersions<string>();
  for (const id of ['a', 'b', 'c']) versions.addSaved(version(1, id, id), 10);
  versions.remove('a');
  expect(['a', 'b'].map((id) => versions.newest(id)?.document)).toEqual([undefined, 'b']);
  versions.clear();
  expect(versions.newest('b')).toBeUndefined();
});
