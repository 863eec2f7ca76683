import type { LookFiller } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';

/** What the numbers of a dressing map stand for, one line for each make: "1–20: a trio of 5 in." */
export function mapLines(fillers: readonly LookFiller[]): string[] {
  const makes = [...new Set(fillers.map(({ name }) => name))];
  const numbersOf = (make: string) => fillers.filter(({ name }) => name === make).map(({ number }) => number);
  // A size ends in a full stop of its own: "5 in."
  return makes.length === 1
    ? [`Each number stands for ${makes[0]}`]
    : makes.map((make) => `${runs(numbersOf(make))}: ${make}`);
}

/** 1, 2, 3, 7 → "1–3, 7". */
export function runs(numbers: readonly number[]): string {
  const found: [number, number][] = [];
  for (const number of numbers) {
    const last = found.at(-1);
    if (last && last[1] === number - 1) last[1] = number;
    else found.push([number, number]);
  }
  return found.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(', ');
}

/** How many go in from the sides, and how many are not counted yet. */
export function mapNotes(fillers: readonly LookFiller[], counted: number): string[] {
  const sides = fillers.filter(({ view }) => view !== 'front').length;
  const more = fillers.filter(({ isCounted }) => !isCounted).length;
  const spare = counted - (fillers.length - more);
  return [
    ...(sides > 0 ? [`‹ and › go in from the left and from the right: ${sides} of them.`] : []),
    ...(more > 0 ? [`Ringed in red and not counted yet: ${more}.`] : []),
    ...(spare > 0 ? [`${plural(spare, 'filler')} more than it takes: where it looks thin to you.`] : []),
  ];
}
