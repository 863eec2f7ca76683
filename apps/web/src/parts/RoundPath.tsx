import { Box, Typography } from '@mui/material';
import { clockTime } from './time.ts';

/** A place of a round with its hours. */
interface PathPlace {
  job: string;
  place: string;
  arrive: string;
  leave: string;
  /** What is done there besides the work that all wait for, in words. */
  does?: string | undefined;
  /** Before it the vehicle is at the workshop. */
  isByHome?: boolean;
}

interface RoundPathProps {
  leave: string;
  places: readonly PathPlace[];
  home: string;
  zone: string;
  /** The job whose page it stands on: its place is marked. */
  own?: string;
}

const stop = { border: 1, borderColor: 'divider', borderRadius: 1, px: 1, py: 0.5 } as const;

/** The places of a round with their hours, from the workshop and back. */
export function RoundPath({ leave, places, home, zone, own }: RoundPathProps) {
  const at = (iso: string) => clockTime(iso, zone);
  return (
    <Box
      component="ol"
      sx={{ listStyle: 'none', m: 0, p: 0, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'stretch' }}
    >
      <Box component="li" sx={stop}>
        <Typography sx={{ fontSize: 14 }}>Workshop</Typography>
        <Typography sx={{ fontWeight: 700 }}>leave {at(leave)}</Typography>
      </Box>
      {places.map(({ job, place, arrive, leave: on, does, isByHome }, i) => (
        <Box
          component="li"
          // A place that is come to twice is there twice.
          key={`${job} ${i < places.findLastIndex((one) => one.job === job) ? 'first' : 'last'}`}
          aria-current={job === own ? 'location' : undefined}
          sx={{ ...stop, ...(job === own ? { borderColor: 'text.primary', borderWidth: 2 } : {}) }}
        >
          <Typography sx={{ fontSize: 14 }}>
            → {isByHome ? 'Workshop → ' : ''}
            {place}
          </Typography>
          <Typography sx={{ fontWeight: 700 }}>
            {at(arrive)}–{at(on)}
          </Typography>
          {does && <Typography sx={{ fontSize: 14 }}>{does}</Typography>}
        </Box>
      ))}
      <Box component="li" sx={stop}>
        <Typography sx={{ fontSize: 14 }}>→ Workshop</Typography>
        <Typography sx={{ fontWeight: 700 }}>{at(home)}</Typography>
      </Box>
    </Box>
  );
}
