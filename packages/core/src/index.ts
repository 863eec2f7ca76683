export { catalogueSizes } from './balloon/catalogue.ts';
export { defaultRates } from './bench/rates.ts';
export { chainLength, scaleToLength, smoothLine } from './geometry/line.ts';
export { applyChanges } from './lamps/fixes.ts';
export { type DrawnBalloon, pictureOf } from './piece/picture-of.ts';
export { draftPlan, planJob } from './plan.ts';
export * from './quantity/length.ts';
