import type { SiteRow, Spot } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import UndoIcon from '@mui/icons-material/Undo';
import {
  Box,
  Button,
  IconButton,
  LinearProgress,
  Link,
  Paper,
  Stack,
  Tab,
  Tabs,
  Tooltip,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink, useLocation, useParams, useSearchParams } from 'react-router';
import { useSites } from '../api/queries.ts';
import { ViewToggle } from '../ground/ViewToggle.tsx';
import { newId } from '../parts/ids.ts';
import { GroundEditor } from './GroundEditor.tsx';
import { MarkPanel } from './MarkPanel.tsx';
import { listWords, type Mark, type MarkList, marksOf, newMark, withMark, withoutMark } from './marks.ts';
import { SiteFacts } from './SiteFacts.tsx';
import { SpotEditor } from './SpotEditor.tsx';
import { SpotFacts } from './SpotFacts.tsx';
import { SurveyWalk } from './SurveyWalk.tsx';
import { cameFrom } from './survey-link.ts';
import { useSiteEdit } from './useSiteEdit.ts';

/** One place: the walk through its survey, its spots drawn to scale, the way in and the house rules. */
export function SiteScreen() {
  const { siteId = '' } = useParams();
  const sites = useSites();
  if (sites.error) throw sites.error;
  if (!sites.data) return <LinearProgress aria-label="Opening the place" />;
  const row = sites.data.find((one) => one.data.id === siteId);
  if (!row) throw new Error('There is no such place; it may have been deleted.');
  return <OpenSite key={siteId} row={row} />;
}

const freshSpot = (): Spot => ({
  id: newId('spot'),
  name: 'New wall',
  kind: 'wall',
  widthM: 3.6576,
  heightM: 3.048,
  surface: 'painted',
});

function OpenSite({ row }: { row: SiteRow }) {
  const site = row.data;
  const { change, undo, canUndo } = useSiteEdit(row);
  const [query] = useSearchParams();
  const { state } = useLocation();
  // Kept while the walk goes on from question to question.
  const [from] = useState(() => cameFrom(state));
  const [spotId, setSpotId] = useState(query.get('ask')?.split('/')[0]);
  const [chosen, setChosen] = useState<string>();
  const [fromAbove, setFromAbove] = useState(false);
  const spot = site.spots.find((one) => one.id === spotId) ?? (site.spots[0] as Spot);
  const mark = marksOf(spot).find((one) => one.id === chosen);
  const changeSpot = (id: string, edit: (spot: Spot) => Spot) =>
    change(({ spots }) => ({ spots: spots.map((one) => (one.id === id ? edit(one) : one)) }));
  const editMark = (id: string, edit: (mark: Mark) => Mark) =>
    changeSpot(spot.id, (before) => {
      const now = marksOf(before).find((one) => one.id === id);
      return now ? withMark(before, edit(now)) : before;
    });
  const addMark = (id: string, list: MarkList) => {
    const target = site.spots.find((one) => one.id === id) ?? spot;
    const fresh = newMark(list, target);
    setSpotId(id);
    setChosen(fresh.id);
    changeSpot(id, (before) => withMark(before, fresh));
  };
  useHotkeys('mod+z', undo, { preventDefault: true });

  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1.5 }}>
        <Box sx={{ flexGrow: 1, minWidth: 0 }}>
          <Stack direction="row" sx={{ gap: 2 }}>
            {from && (
              <Link
                component={RouterLink}
                to={from.to}
                color="inherit"
                sx={{ fontSize: 14, fontWeight: 650 }}
              >
                ← Back to {from.name}
              </Link>
            )}
            <Link component={RouterLink} to="/sites" color="inherit" sx={{ fontSize: 14 }}>
              Sites
            </Link>
          </Stack>
          <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
            {site.name}
          </Typography>
        </Box>
        <Tooltip title="Undo (Ctrl Z)">
          <span>
            <IconButton aria-label="Undo" disabled={!canUndo} onClick={undo}>
              <UndoIcon />
            </IconButton>
          </span>
        </Tooltip>
      </Stack>
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
        <Paper variant="outlined" sx={{ p: 1, minWidth: 0, gridArea: 'draw' }}>
          <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1 }}>
            <Tabs
              value={spot.id}
              onChange={(_, id: string) => setSpotId(id)}
              variant="scrollable"
              scrollButtons={false}
              aria-label="Spots"
              sx={{ minHeight: 40, flexGrow: 1, '& .MuiTab-root': { minHeight: 40, py: 0.5 } }}
            >
              {site.spots.map((one) => (
                <Tab key={one.id} value={one.id} label={one.name} />
              ))}
            </Tabs>
            <Button
              size="small"
              startIcon={<AddIcon />}
              sx={{ flex: 'none' }}
              onClick={() => {
                const fresh = freshSpot();
                setSpotId(fresh.id);
                change(({ spots }) => ({ spots: [...spots, fresh] }));
              }}
            >
              Add a spot
            </Button>
          </Stack>
          <Box sx={{ height: { xs: 340, md: 430 } }}>
            {fromAbove ? (
              <GroundEditor spot={spot} chosen={chosen} onChoose={setChosen} onMark={editMark} />
            ) : (
              <SpotEditor
                spot={spot}
                indoors={site.indoors}
                chosen={chosen}
                onChoose={setChosen}
                onMark={editMark}
                onOutline={(edit) =>
                  changeSpot(spot.id, (before) => ({ ...before, outline: edit(before.outline ?? []) }))
                }
              />
            )}
          </Box>
          <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', mt: 1 }}>
            <ViewToggle
              view={fromAbove ? 'above' : 'front'}
              onView={(view) => setFromAbove(view === 'above')}
            />
            {(Object.keys(listWords) as MarkList[]).map((list) => (
              <Button
                key={list}
                size="small"
                variant="outlined"
                startIcon={<AddIcon />}
                onClick={() => addMark(spot.id, list)}
              >
                {listWords[list].add}
              </Button>
            ))}
          </Stack>
        </Paper>
        <Box sx={{ gridArea: 'walk', minWidth: 0 }}>
          <SurveyWalk site={site} change={change} onMark={addMark} first={query.get('ask') ?? undefined} />
        </Box>
        <Box sx={{ gridArea: 'side', display: 'grid', gap: 2, minWidth: 0 }}>
          {mark && (
            <Paper variant="outlined" sx={{ p: 2 }}>
              <MarkPanel
                mark={mark}
                spot={spot}
                onMark={(edit) => editMark(mark.id, (now) => ({ ...now, ...edit }))}
                onRemove={() => changeSpot(spot.id, (before) => withoutMark(before, mark))}
              />
            </Paper>
          )}
          <SpotFacts
            key={spot.id}
            spot={spot}
            site={site}
            onChange={(edit) => changeSpot(spot.id, (before) => ({ ...before, ...edit }) as Spot)}
            onRemove={() => change(({ spots }) => ({ spots: spots.filter((one) => one.id !== spot.id) }))}
          />
        </Box>
        <Box sx={{ gridArea: 'facts' }}>
          <SiteFacts site={site} change={change} />
        </Box>
      </Box>
    </Box>
  );
}
