export { needsOfAll as default } from '../stock/needs-of-all.ts';
