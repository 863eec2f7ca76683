import { Alert, Box, Button } from '@mui/material';
import { takeNewVersion, useNewVersion } from '../offline/new-version.ts';
import { minutesBetween, spanText } from '../parts/time.ts';
import type { SiteLogHere } from './use-log.ts';
import { useSeconds } from './use-seconds.ts';

/** A clock that is off by more than this is told, ms: times are put right all the same. */
const CLOCK_OFF_TOLD_MS = 120_000;

interface SiteBannerProps {
  readAt: string;
  log: SiteLogHere;
}

/** What whoever works by this page must know of it: how old it is without a signal, and what is not safe yet. */
export function SiteBanner({ readAt, log }: SiteBannerProps) {
  const now = useSeconds(Date.now);
  const isNewer = useNewVersion();
  const { reach, waiting, unkept, clockOffMs = 0 } = log;
  const lines = [
    unkept > 0 &&
      `This phone has no room: ${unkept === 1 ? '1 entry is' : `${unkept} entries are`} only on this page. Keep it open until they are sent.`,
    reach.trouble &&
      `Offline. The plan is from ${ago(minutesBetween(readAt, now))}. ${
        waiting > 0
          ? `${waiting === 1 ? '1 entry is' : `${waiting} entries are`} kept on this phone and sent when there is a signal.`
          : 'What you tick is kept on this phone.'
      }`,
    Math.abs(clockOffMs) > CLOCK_OFF_TOLD_MS &&
      `The clock of this phone is ${spanText(clockOffMs / 60_000)} ${clockOffMs > 0 ? 'slow' : 'fast'}. Times here are the workshop's.`,
  ].filter((line) => typeof line === 'string');
  if (lines.length === 0 && !isNewer) return null;
  return (
    <Box sx={{ display: 'grid', gap: 1, p: 1.5, pb: 0 }}>
      {lines.map((line) => (
        <Alert
          key={line}
          severity={unkept > 0 ? 'error' : 'info'}
          icon={false}
          variant="outlined"
          sx={{ fontSize: '1rem' }}
        >
          {line}
        </Alert>
      ))}
      {isNewer && (
        <Alert
          severity="info"
          icon={false}
          variant="outlined"
          sx={{ fontSize: '1rem', alignItems: 'center' }}
          action={
            <Button onClick={takeNewVersion} sx={{ minHeight: 48 }}>
              Update now
            </Button>
          }
        >
          A newer version of this app is ready. Nothing you ticked is lost by it.
        </Alert>
      )}
    </Box>
  );
}

const ago = (minutes: number): string => (minutes < 1.5 ? 'just now' : `${spanText(minutes)} ago`);
