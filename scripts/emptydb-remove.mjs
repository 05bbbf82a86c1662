export { removeEmpty as default } from './emptydb.mjs';
