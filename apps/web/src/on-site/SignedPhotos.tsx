import type { Delivery } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import type { SitePhotos } from './use-site-photos.ts';
import { WaitingPicture } from './WaitingPicture.tsx';

interface SignedPhotosProps {
  shown: Delivery['photos'];
  jobId: string;
  photos: SitePhotos;
}

/** What stands, as it was photographed: from the server, or from this phone where it waits there. */
export function SignedPhotos({ shown = [], jobId, photos }: SignedPhotosProps) {
  if (shown.length === 0) return null;
  return (
    <Box>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        How it stands
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        {shown.map(({ id, of }) => {
          const waiting = photos.waiting.find((one) => one.id === id);
          return (
            <Box key={id} component="figure" sx={{ m: 0 }}>
              {waiting ? (
                <WaitingPicture content={waiting.content} />
              ) : (
                <Box
                  component="img"
                  src={`/api/v1/jobs/${jobId}/photos/${id}/picture`}
                  alt={`Photo of ${of}`}
                  sx={{ width: '100%', borderRadius: 1, bgcolor: 'divider', display: 'block' }}
                />
              )}
              <Typography component="figcaption" sx={{ fontSize: '0.9375rem', overflowWrap: 'anywhere' }}>
                {of}
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
