export { changeMark, changeWords, ROLE_WORDS } from '../../contract/index.ts';
export * from './cures.ts';
export * from './pattern.ts';
export * from './plan.ts';
export * from './proof.ts';
export * from './reading.ts';
export * from './reasons.ts';
