import type { Photo, PhotoMark } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';

type Kind = PhotoMark['kind'];

export const markWords: Record<Kind, string> = {
  gap: 'Gap',
  clump: 'Clump',
  bare: 'String or pole shows',
  sag: 'Sags',
};

const nouns: Record<Kind, string> = { gap: 'gap', clump: 'clump', bare: 'bare place', sag: 'sag' };

/** A new mark's radius, and the least and largest, as shares of the photo's width. */
const NEW_R = 0.035;
const LEAST_R = 0.01;
const LARGEST_R = 0.4;
/** One press makes a mark so much larger. */
export const LARGER = 1.25;

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
const round = (value: number) => Math.round(value * 10_000) / 10_000;

type Marks = Pick<Photo, 'marks'>;

export const withNew =
  (id: string, kind: Kind, x: number, y: number) =>
  ({ marks }: Marks): Marks => ({
    marks: [...marks, { id, kind, x: round(within(x, 0, 1)), y: round(within(y, 0, 1)), r: NEW_R }],
  });

const changed =
  (id: string, change: (mark: PhotoMark) => Partial<PhotoMark>) =>
  ({ marks }: Marks): Marks => ({
    marks: marks.map((mark) => (mark.id === id ? { ...mark, ...change(mark) } : mark)),
  });

/** A mark moved by so much of the photo's width and height; it stays on the photo. */
export const moved = (id: string, dx: number, dy: number) =>
  changed(id, ({ x, y }) => ({ x: round(within(x + dx, 0, 1)), y: round(within(y + dy, 0, 1)) }));

export const scaled = (id: string, by: number) =>
  changed(id, ({ r }) => ({ r: round(within(r * by, LEAST_R, LARGEST_R)) }));

export const without =
  (id: string) =>
  ({ marks }: Marks): Marks => ({ marks: marks.filter((mark) => mark.id !== id) });

/** "2 gaps, 1 clump" */
export const marksInWords = (marks: readonly PhotoMark[]): string =>
  (Object.keys(nouns) as Kind[])
    .map((kind) => [kind, marks.filter((mark) => mark.kind === kind).length] as const)
    .filter(([, count]) => count > 0)
    .map(([kind, count]) => plural(count, nouns[kind]))
    .join(', ') || 'nothing';
