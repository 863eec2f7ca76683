import { Box, Typography } from '@mui/material';
import { clockTime } from './time.ts';

interface RoundPathProps {
  leave: string;
  places: readonly { job: string; place: string; arrive: string; leave: string }[];
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
      sx={{ listStyle: 'none', m: 0, p: 0, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}
    >
      <Box component="li" sx={stop}>
        <Typography sx={{ fontSize: 14 }}>Workshop</Typography>
        <Typography sx={{ fontWeight: 700 }}>leave {at(leave)}</Typography>
      </Box>
      {places.map(({ job, place, arrive, leave: on }) => (
        <Box
          component="li"
          key={job}
          aria-current={job === own ? 'location' : undefined}
          sx={{ ...stop, ...(job === own ? { borderColor: 'text.primary', borderWidth: 2 } : {}) }}
        >
          <Typography sx={{ fontSize: 14 }}>→ {place}</Typography>
          <Typography sx={{ fontWeight: 700 }}>
            {at(arrive)}–{at(on)}
          </Typography>
        </Box>
      ))}
      <Box component="li" sx={stop}>
        <Typography sx={{ fontSize: 14 }}>→ Workshop</Typography>
        <Typography sx={{ fontWeight: 700 }}>{at(home)}</Typography>
      </Box>
    </Box>
  );
}
