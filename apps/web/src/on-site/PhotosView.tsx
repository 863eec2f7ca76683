import type { PhotoRow } from '@early-lantern/contract';
import { photoMoment } from '@early-lantern/core';
import { Alert, Box, ButtonBase, Typography } from '@mui/material';
import { useState } from 'react';
import { keys } from '../api/queries.ts';
import { marksInWords } from '../looks/photo/marking.ts';
import { clockTime } from '../parts/time.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { PhotoSheet } from './PhotoSheet.tsx';
import type { WaitingPhoto } from './photo-outbox.ts';
import { TakePhoto } from './TakePhoto.tsx';
import type { SiteLogHere } from './use-log.ts';
import { useSitePhotos } from './use-site-photos.ts';
import { WaitingPicture } from './WaitingPicture.tsx';

interface PhotosViewProps {
  log: SiteLogHere;
  taken: TakenJob;
}

/** The photos of the pieces as they stand: those on this phone that wait, and those that everybody sees. */
export function PhotosView({ taken, log }: PhotosViewProps) {
  const { file } = taken;
  const photos = useSitePhotos(file.job.id);
  const nameOf = (id: string) => file.job.pieces.find((one) => one.id === id)?.name ?? 'A piece that is gone';
  const [openId, setOpenId] = useState<string>();
  const open = photos.sent?.find(({ data }) => data.id === openId);
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Photos
      </Typography>
      <TakePhoto
        taken={taken}
        photos={photos}
        words="Take a photo"
        moment={photoMoment(taken.plan, log.happened, undefined)}
      />
      {photos.isUnkept && (
        <Alert severity="error" icon={false} variant="outlined" sx={{ fontSize: '1rem' }}>
          This phone has no room: the last photo is only on this page. Keep it open until it is sent.
        </Alert>
      )}
      {photos.waiting.map((photo) => (
        <Waiting key={photo.id} photo={photo} name={nameOf(photo.pieceId)} onDrop={photos.drop} />
      ))}
      {photos.sent?.length === 0 && photos.waiting.length === 0 && (
        <Typography sx={{ fontSize: '1.0625rem', color: 'text.secondary' }}>
          No photo yet. Take one of each piece when it stands, and mark what is to be mended.
        </Typography>
      )}
      {!photos.sent && (
        <Typography sx={{ fontSize: '1.0625rem', color: 'text.secondary' }}>
          Photos that were sent before show when there is a signal.
        </Typography>
      )}
      {photos.sent?.map(({ data }) => (
        <ButtonBase
          key={data.id}
          onClick={() => setOpenId(data.id)}
          aria-label={`Photo: ${nameOf(data.pieceId)}, ${clockTime(data.addedAt, taken.plan.timeZone)}`}
          sx={{ display: 'grid', gap: 0.5, textAlign: 'left', justifyItems: 'stretch' }}
        >
          <Box
            component="img"
            src={`/api/v1/jobs/${file.job.id}/photos/${data.id}/picture`}
            alt=""
            loading="lazy"
            sx={{ width: '100%', maxHeight: 260, objectFit: 'cover', borderRadius: 1, bgcolor: 'divider' }}
          />
          <Typography sx={{ fontSize: '1.0625rem' }}>
            <strong>{nameOf(data.pieceId)}</strong>, {clockTime(data.addedAt, taken.plan.timeZone)}
            {data.marks.length > 0 && `: ${marksInWords(data.marks)}`}
          </Typography>
        </ButtonBase>
      ))}
      {open && (
        <Sent
          key={open.data.id}
          row={open}
          jobId={file.job.id}
          name={nameOf(open.data.pieceId)}
          onClose={() => setOpenId(undefined)}
        />
      )}
    </Box>
  );
}

interface WaitingProps {
  photo: WaitingPhoto;
  name: string;
  onDrop: (id: string) => void;
}

function Waiting({ photo, name, onDrop }: WaitingProps) {
  return (
    <Box component="section" aria-label={`Waiting: ${name}`} sx={{ display: 'grid', gap: 0.5 }}>
      <WaitingPicture content={photo.content} />
      <Typography sx={{ fontSize: '1.0625rem' }}>
        <strong>{name}</strong>
        {photo.marks.length > 0 && `: ${marksInWords(photo.marks)}`}.{' '}
        {photo.refused ? `Not taken: ${photo.refused}` : 'Kept on this phone, sent when there is a signal.'}
      </Typography>
      {photo.refused && <BigButton onClick={() => onDrop(photo.id)}>Delete this photo</BigButton>}
    </Box>
  );
}

interface SentProps {
  row: PhotoRow;
  jobId: string;
  name: string;
  onClose: () => void;
}

/** One that everybody sees: its marks can still be changed. */
function Sent({ row, jobId, name, onClose }: SentProps) {
  const { data } = row;
  const path = `/jobs/${jobId}/photos/${data.id}`;
  const save = useRowSave<PhotoRow['data']>(keys.photos(jobId), path, row);
  return (
    <PhotoSheet
      name={name}
      src={`/api/v1${path}/picture`}
      widthPx={data.widthPx}
      heightPx={data.heightPx}
      marks={data.marks}
      onClose={onClose}
      onKeep={(marks) => {
        save((photo) => ({ ...photo, marks }));
        onClose();
      }}
    />
  );
}
