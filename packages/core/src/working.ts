import type { Working } from '@early-lantern/contract';

export const COMMON_PRACTICE = 'common practice, no source';
export const DERIVED = 'derived in the engine';

export type Input = [name: string, value: number | string, unit?: string];

/** Figures people read need no more than four digits after the point. */
const tidy = (value: number | string): number | string =>
  typeof value === 'number' ? Number(value.toFixed(4)) : value;

/** One step of a calculation, ready to be shown. */
export function working(
  label: string,
  formula: string | { metric: string; imperial: string },
  inputs: Input[],
  result: { value: number | string; unit?: string },
  source: string,
): Working {
  return {
    label,
    ...(typeof formula === 'string'
      ? { formula }
      : { formula: formula.metric, formulaInFeet: formula.imperial }),
    inputs: inputs.map(([name, value, unit = '']) => ({ name, value: tidy(value), unit })),
    value: tidy(result.value),
    unit: result.unit ?? '',
    source,
  };
}
