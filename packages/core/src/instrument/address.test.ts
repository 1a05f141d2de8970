import { readAddress } from './address.ts';

test.each([
  ['tcp://127.0.0.1:8471', { host: '127.0.0.1', port: 8471 }],
  ['tcp://bench-meter.workshop:5025', { host: 'bench-meter.workshop', port: 5025 }],
  ['tcp://[fe80::1]:5025', { host: 'fe80::1', port: 5025 }],
  ['TCP://meter:1', { host: 'meter', port: 1 }],
])('%s', (text, address) => expect(readAddress(text)).toEqual(address));

test.each([
  '',
  'meter:5025',
  'http://meter:5025',
  'tcp://meter',
  'tcp://meter:0',
  'tcp://meter:65536',
  'tcp://me ter:5025',
  'tcp://-meter:5025',
  'tcp://user@meter:5025',
  'tcp://meter:5025/path',
  'tcp://meter:5025\nREAD?',
])('“%s” is none', (text) => expect(readAddress(text)).toBeNull());
