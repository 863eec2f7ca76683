import type { Joint, Plan } from '@early-lantern/contract';
import { listed } from '@early-lantern/core';

/** Which joints stay made on the way, and which are made on site, by piece. */
export function JointLines({ plan }: { plan: Pick<Plan, 'fits' | 'pieces'> }) {
  const { joints } = plan.fits;
  const lines = (title: string, some: readonly Joint[]) => {
    if (some.length === 0) return null;
    const byPiece = plan.pieces.flatMap(({ id, name }) => {
      const own = some.filter(({ pieceId }) => pieceId === id);
      return own.length > 0 ? [`${name}: ${listed(own.map(({ label }) => label))}`] : [];
    });
    return (
      <p>
        <strong>{title}:</strong> {byPiece.join('; ')}.
      </p>
    );
  };
  return (
    <>
      {lines(
        'Stays joined on the way',
        joints.filter(({ staysMade }) => staysMade),
      )}
      {lines(
        'Joined on site',
        joints.filter(({ staysMade }) => !staysMade),
      )}
    </>
  );
}
