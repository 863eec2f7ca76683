import type { JobFile, MaterialRow, Section, Task } from '@early-lantern/contract';
import { bagsOf } from './bags.ts';
import { carriersOf } from './carriers.ts';
import type { Good, MadePiece } from './goods.ts';
import { kitGoods } from './kit.ts';
import { stiffGoods } from './stiff.ts';

/** What a job's things are made out from. */
interface Riding {
  file: JobFile;
  pieces: readonly MadePiece[];
  materials: readonly Pick<MaterialRow, 'item' | 'count'>[];
  /** Ladders and wagons taken along, by id. */
  gear: readonly string[];
}

/** Every thing that rides, once. @param squeeze of their volume that bags are pressed together by, 0 to 0.12 */
export function goodsOf({ file, pieces, materials, gear }: Riding, squeeze: number): Good[] {
  const own = [
    ...pieces.flatMap((piece, i) => bagsOf(piece, i, file.workshop, squeeze).goods),
    ...pieces.flatMap((piece, i) => stiffGoods(piece, i, file)),
  ];
  const boards = own.filter(({ kind }) => kind === 'board').length;
  return [...own, ...kitGoods(file, pieces, materials, gear, boards)];
}

/** The sections of all pieces that are strung at the bench. */
export const sectionsOf = (
  { file, pieces }: Pick<Riding, 'file' | 'pieces'>,
  tasks: readonly Task[],
): Section[] =>
  pieces.flatMap((piece, i) =>
    bagsOf(piece, i, file.workshop).sections.map((section) => ({
      ...section,
      carriers: carriersOf(section, file, tasks),
    })),
  );
