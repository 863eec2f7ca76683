import type { CrewMember, Plan } from '@early-lantern/contract';
import { Box, Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import { LanternString } from '../parts/LanternString.tsx';
import { clockTime, spanText } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import type { SiteLogHere } from './use-log.ts';
import { useSeconds } from './use-seconds.ts';

/** Ink in either theme: white on it is legible in the sun. */
export const INK = '#1f2637';
export const ON_INK = '#fffaf0';

interface SiteHeaderProps {
  name: string;
  plan: Plan;
  /** When it will be ready, as the day is going. */
  ready: string;
  who: CrewMember | undefined;
  log: SiteLogHere;
  /** Photos that wait on this phone. */
  photosWaiting: number;
  onOtherPerson: () => void;
}

/** Above all on site: which job, who one is, how long to doors, the six lamps, and whether what was ticked has been sent. */
export function SiteHeader({ name, plan, ready, who, log, photosWaiting, onOtherPerson }: SiteHeaderProps) {
  return (
    <Box
      component="header"
      sx={{
        bgcolor: INK,
        color: ON_INK,
        px: 2,
        pt: 0.5,
        pb: 1,
        // Lanterns as they are on a dark page.
        '--mui-palette-background-paper': '#1e2535',
        '--mui-palette-out': '#f2917c',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 48 }}>
        <Typography
          component={Link}
          to="/on-site"
          noWrap
          sx={{ color: 'inherit', fontSize: '1rem', minWidth: 0, flexShrink: 1, py: 1.5 }}
        >
          {name}
        </Typography>
        {who && (
          <Button
            color="inherit"
            onClick={onOtherPerson}
            aria-label={`${who.name}: somebody else`}
            sx={{ minHeight: 48, fontSize: '1rem', flex: 'none', px: 1 }}
          >
            {who.name.split(' ')[0]}
          </Button>
        )}
        <Box component="span" sx={{ ml: 'auto', flex: 'none', fontSize: '0.9375rem' }} role="status">
          {sentWords({ ...log, waiting: log.waiting + photosWaiting })}
        </Box>
      </Box>
      <ToDoors plan={plan} nowMs={log.nowMs} />
      <Typography data-testid="ready" sx={{ fontSize: '1.0625rem', minHeight: '1.6em' }}>
        {ready}
      </Typography>
      <LanternString lamps={plan.lamps} />
    </Box>
  );
}

const sentWords = ({ reach, waiting, unkept }: SiteLogHere): string => {
  if (unkept > 0) return `${unkept} not kept`;
  if (reach.trouble) return waiting > 0 ? `offline, ${waiting} kept` : 'offline';
  if (waiting > 0) return `sending ${waiting}`;
  return reach.atMs === undefined ? '' : 'all sent';
};

function ToDoors({ plan, nowMs }: { plan: Plan; nowMs: () => number }) {
  const { doors } = plan.onTime;
  const minutes = (Date.parse(doors) - useSeconds(nowMs)) / 60_000;
  return (
    <Typography component="p" sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, m: 0 }}>
      <Box
        component="span"
        sx={{ fontFamily: headFont, fontWeight: 700, fontSize: '2.5rem', lineHeight: 1.1 }}
      >
        {spanText(minutes)}
      </Box>
      <Box component="span" sx={{ fontSize: '1.0625rem' }}>
        {minutes >= 0 ? 'to doors' : 'since doors'} · {clockTime(doors, plan.timeZone)}
      </Box>
    </Typography>
  );
}
