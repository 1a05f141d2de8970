export { straightLine, type StraightLine } from './straight-line.ts';
