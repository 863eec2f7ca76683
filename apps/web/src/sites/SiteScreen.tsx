import type { SiteRow, Spot } from '@early-lantern/contract';
import { Box, LinearProgress, Paper } from '@mui/material';
import { useHotkeys } from 'react-hotkeys-hook';
import { useParams, useSearchParams } from 'react-router';
import { throwUnread, useSites } from '../api/queries.ts';
import { MarkPanel } from './MarkPanel.tsx';
import { SiteFacts } from './SiteFacts.tsx';
import { SiteHead } from './SiteHead.tsx';
import { SpotDrawer } from './SpotDrawer.tsx';
import { SpotFacts } from './SpotFacts.tsx';
import { SurveyWalk } from './SurveyWalk.tsx';
import { useSpotMarks } from './use-spot-marks.ts';
import { useSiteEdit } from './useSiteEdit.ts';

/** One place: the walk through its survey, its spots drawn to scale, the way in and the house rules. */
export function SiteScreen() {
  const { siteId = '' } = useParams();
  const sites = useSites();
  throwUnread(sites);
  if (!sites.data) return <LinearProgress aria-label="Opening the place" />;
  const row = sites.data.find((one) => one.data.id === siteId);
  if (!row) throw new Error('There is no such place; it may have been deleted.');
  return <OpenSite key={siteId} row={row} />;
}

function OpenSite({ row }: { row: SiteRow }) {
  const site = row.data;
  const { change, undo, canUndo } = useSiteEdit(row);
  const [query] = useSearchParams();
  const marks = useSpotMarks(site, change, query.get('ask')?.split('/')[0]);
  const { spot, mark } = marks;
  useHotkeys('mod+z', undo, { preventDefault: true });

  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <SiteHead id={site.id} name={site.name} canUndo={canUndo} undo={undo} />
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 392px' },
          gridTemplateAreas: {
            xs: '"walk" "draw" "side" "facts"',
            lg: '"draw walk" "draw side" "facts facts"',
          },
          gridTemplateRows: { lg: 'auto 1fr auto' },
          alignItems: 'start',
        }}
      >
        <SpotDrawer site={site} marks={marks} />
        <Box sx={{ gridArea: 'walk', minWidth: 0 }}>
          <SurveyWalk
            site={site}
            change={change}
            onMark={marks.addMark}
            first={query.get('ask') ?? undefined}
          />
        </Box>
        <Box sx={{ gridArea: 'side', display: 'grid', gap: 2, minWidth: 0 }}>
          {mark && (
            <Paper variant="outlined" sx={{ p: 2 }}>
              <MarkPanel
                mark={mark}
                spot={spot}
                onMark={(edit) => marks.editMark(mark.id, (now) => ({ ...now, ...edit }))}
                onRemove={() => marks.removeMark(mark)}
              />
            </Paper>
          )}
          <SpotFacts
            key={spot.id}
            spot={spot}
            site={site}
            onChange={(edit) => marks.changeSpot((before) => ({ ...before, ...edit }) as Spot)}
            onRemove={marks.removeSpot}
          />
        </Box>
        <Box sx={{ gridArea: 'facts' }}>
          <SiteFacts site={site} change={change} />
        </Box>
      </Box>
    </Box>
  );
}
