import type { Site } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { HouseRulesCard } from './HouseRulesCard.tsx';
import type { SiteChange } from './useSiteEdit.ts';
import { WayInCard } from './WayInCard.tsx';

/** The way in, the house rules, who to call: everything about a place that is not drawn. */
export function SiteFacts({ site, change }: { site: Site; change: SiteChange }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' },
        alignItems: 'start',
      }}
    >
      <WayInCard site={site} change={change} />
      <HouseRulesCard site={site} change={change} />
    </Box>
  );
}
