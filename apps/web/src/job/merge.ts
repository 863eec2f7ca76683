import { sameData } from './document.ts';

/** Two versions made of one, put together; where both say another thing of the same, mine stands and its path is told. */
export interface Merged<T> {
  value: T;
  clashes: string[];
}

type Tree = Record<string, unknown>;

/** What tells one kind of thing from another: of two kinds nothing is put together. */
const KINDS = ['kind', 'what', 'style', 'way'];

const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Lists of things with an id are put together thing by thing. */
const isNamed = (value: unknown): value is (Tree & { id: string })[] =>
  Array.isArray(value) && value.every((one) => isTree(one) && typeof one.id === 'string');

/**
 * Mine and theirs, both made from a base, put together field by field: what only one of them changed is as that one has it.
 * Lists of things with ids are put together thing by thing, other lists are one thing each.
 */
export function merged<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: string[] = [];
  const value = merge(base, mine, theirs, '', clashes) as T;
  return { value, clashes };
}

function merge(base: unknown, mine: unknown, theirs: unknown, path: string, clashes: string[]): unknown {
  if (sameData(mine, theirs) || sameData(base, theirs)) return mine;
  if (sameData(base, mine)) return theirs;
  if (isTree(base) && isTree(mine) && isTree(theirs) && isOneKind(base, mine, theirs))
    return mergeTrees(base, mine, theirs, path, clashes);
  if (isNamed(base) && isNamed(mine) && isNamed(theirs)) return mergeNamed(base, mine, theirs, path, clashes);
  clashes.push(path);
  return mine;
}

const isOneKind = (...trees: readonly Tree[]) =>
  KINDS.every((kind) => trees.every((tree) => tree[kind] === trees[0]?.[kind]));

function mergeTrees(base: Tree, mine: Tree, theirs: Tree, path: string, clashes: string[]): Tree {
  const result: Tree = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = merge(base[key], mine[key], theirs[key], path ? `${path}.${key}` : key, clashes);
    if (value !== undefined) result[key] = value;
  }
  return result;
}

type Named = (Tree & { id: string })[];

/** In my order, with what they have added at its end. */
function mergeNamed(base: Named, mine: Named, theirs: Named, path: string, clashes: string[]): Named {
  const of = (list: Named, id: string) => list.find((one) => one.id === id);
  const ids = new Set([...mine, ...theirs].map(({ id }) => id));
  return [...ids].flatMap((id) => {
    const value = merge(of(base, id), of(mine, id), of(theirs, id), `${path}.${id}`, clashes);
    return value === undefined ? [] : [value as Tree & { id: string }];
  });
}
