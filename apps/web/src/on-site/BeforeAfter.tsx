import type { PhotoMoment } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { clockTime } from '../parts/time.ts';
import type { TakenJob } from './kept-on-device.ts';
import type { SitePhotos } from './use-site-photos.ts';
import { WaitingPicture } from './WaitingPicture.tsx';

interface BeforeAfterProps {
  taken: TakenJob;
  photos: SitePhotos;
}

const columns: { moment: PhotoMoment; title: string; missing: string }[] = [
  { moment: 'before', title: 'Before', missing: 'No photo from before.' },
  { moment: 'after', title: 'Now', missing: 'None taken yet.' },
];

/** The place of each piece as it was and as it is left, side by side: which marks were there already. */
export function BeforeAfter({ taken, photos }: BeforeAfterProps) {
  const { file, plan } = taken;
  const at = `/api/v1/jobs/${file.job.id}/photos`;
  return (
    <Box component="section" aria-label="Before and after" sx={{ display: 'grid', gap: 2, mb: 2 }}>
      {file.job.pieces.map(({ id, name }) => (
        <Box key={id}>
          <Typography variant="h2" sx={{ fontSize: '1.25rem' }}>
            {name}
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
            {columns.map(({ moment, title, missing }) => {
              const isIt = (one: { pieceId: string; moment?: PhotoMoment | undefined }) =>
                one.pieceId === id && one.moment === moment;
              const waiting = photos.waiting.filter(isIt);
              const sent = (photos.sent ?? []).map(({ data }) => data).filter(isIt);
              return (
                <Box key={moment} sx={{ display: 'grid', gap: 0.5, alignContent: 'start' }}>
                  <Typography sx={{ fontSize: '1rem', fontWeight: 650 }}>{title}</Typography>
                  {sent.map((photo) => (
                    <Box key={photo.id}>
                      <Box
                        component="img"
                        src={`${at}/${photo.id}/picture`}
                        alt={`${name}, ${title.toLowerCase()}, ${clockTime(photo.addedAt, plan.timeZone)}`}
                        sx={{ width: '100%', borderRadius: 1, bgcolor: 'divider', display: 'block' }}
                      />
                      <Typography sx={{ fontSize: '0.9375rem' }}>
                        {clockTime(photo.addedAt, plan.timeZone)}
                      </Typography>
                    </Box>
                  ))}
                  {waiting.map((photo) => (
                    <WaitingPicture key={photo.id} content={photo.content} />
                  ))}
                  {sent.length + waiting.length === 0 && (
                    <Typography sx={{ fontSize: '0.9375rem', color: 'text.secondary' }}>{missing}</Typography>
                  )}
                </Box>
              );
            })}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
