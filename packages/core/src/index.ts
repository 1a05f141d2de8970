export * from './result.ts';
export * from './quantity/index.ts';
export * from './network/index.ts';
export * from './solver/index.ts';
export * from './instrument/index.ts';
export * from './loading/index.ts';
export * from './drawing/index.ts';
export * from './file/index.ts';
