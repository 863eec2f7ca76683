import type { HoldPiece } from '@early-lantern/contract';
import { Fragment } from 'react';
import { useJob } from '../job/context.ts';
import { SurveyLink } from '../job/SurveyLink.tsx';

const words: Record<HoldPiece['unasked'][number], string> = {
  fixings: 'what there is to fix to',
  floor: 'what the floor is',
  forbids: 'what the venue forbids',
};

/** What has to be asked at the place before a piece can be judged, each linked to its question. */
export function AskFirst({ held }: { held: HoldPiece }) {
  const { file, document } = useJob();
  const spotId = document.pieces.find(({ id }) => id === held.id)?.spotId;
  return (
    <>
      {held.unasked.map((id, i) => (
        <Fragment key={id}>
          {i > 0 && ', '}
          <strong>
            <SurveyLink file={file} question={id === 'forbids' || !spotId ? { id } : { id, spotId }}>
              {words[id]}
            </SurveyLink>
          </strong>
        </Fragment>
      ))}
      .
    </>
  );
}
