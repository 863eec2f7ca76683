import type { FullPiece, JobFile, LookFiller, Piece, Plan } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { mapLines, mapNotes } from '../looks/map-words.ts';
import { boundsOf, PieceSheet } from '../looks/PieceSheet.tsx';

interface DressingMapsProps {
  plan: Plan;
  file: JobFile;
  pictures: Readonly<Record<string, Picture>>;
}

/** Too long for half of the paper. */
function isLong(picture: Picture): boolean {
  const { w, h } = boundsOf(picture);
  return w > 1.1 * h;
}

/** Where the fillers of each piece go, by number, on paper; and what to look at when it hangs. */
export function DressingMaps({ plan, file, pictures }: DressingMapsProps) {
  const pieces = plan.full.pieces.flatMap((look) => {
    const piece = file.job.pieces.find(({ id }) => id === look.id);
    const picture = pictures[look.id];
    const fillers = plan.full.fillers.filter(({ pieceId, isCounted }) => pieceId === look.id && isCounted);
    return piece && picture && fillers.length > 0 ? [{ piece, picture, fillers, look }] : [];
  });
  const others = plan.full.pieces.filter(
    ({ id, lookOver }) => lookOver.length > 0 && !pieces.some(({ piece }) => piece.id === id),
  );
  return (
    <>
      {pieces.length > 0 && <Maps pieces={pieces} file={file} />}
      {others.length > 0 && (
        <section data-testid="look-overs">
          <h2>When it hangs, step back and look</h2>
          {others.map(({ id, lookOver }) => (
            <div key={id} className="sheet-keep">
              <strong>{file.job.pieces.find((piece) => piece.id === id)?.name}</strong>
              <ul className="sheet-look">
                {lookOver.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </div>
          ))}
        </section>
      )}
    </>
  );
}

interface Mapped {
  piece: Piece;
  picture: Picture;
  fillers: readonly LookFiller[];
  look: FullPiece;
}

/** The pieces that have fillers, each with its map. */
function Maps({ pieces, file }: { pieces: readonly Mapped[]; file: JobFile }) {
  return (
    <section data-testid="dressing-maps">
      <h2>Where the fillers go</h2>
      <div className="sheet-maps">
        {pieces.map(({ piece, picture, fillers, look }) => (
          <figure key={piece.id} className={isLong(picture) ? 'sheet-keep sheet-long' : 'sheet-keep'}>
            <figcaption>
              <strong>{piece.name}</strong>:{' '}
              {[...mapLines(fillers), ...mapNotes(fillers, look.fillers.counted)].join(' ')}
            </figcaption>
            {look.lookOver.length > 0 && (
              <ul className="sheet-look">
                {look.lookOver.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            )}
            <PieceSheet
              name={piece.name}
              picture={picture}
              colours={file.workshop.colours}
              fillers={fillers}
              maxHeight="440px"
            />
          </figure>
        ))}
      </div>
    </section>
  );
}
