import type { Site, SiteRow } from '@early-lantern/contract';
import { surveyWalk } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  IconButton,
  LinearProgress,
  Link,
  Paper,
  Stack,
  Tooltip,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import { call } from '../api/client.ts';
import { keys, queryClient, throwUnread, useSites } from '../api/queries.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { newId } from '../parts/ids.ts';
import { lampWords } from '../parts/lamp-words.ts';
import { useNotice } from '../parts/notices.tsx';
import { useRowDelete } from '../parts/useRowDelete.ts';
import { useMay } from '../people/me.ts';
import { useUnits } from '../preferences.tsx';
import { NewPlaceDialog } from './NewPlaceDialog.tsx';
import { surfaceWords } from './words.ts';

/** Places once surveyed, kept for next time. */
export function SitesScreen() {
  const sites = useSites();
  const [isAdding, setAdding] = useState(false);
  const notify = useNotice();
  const navigate = useNavigate();
  const plans = useMay('plan');
  throwUnread(sites);
  if (!sites.data) return <LinearProgress aria-label="Opening the sites" />;
  const put = async (site: Site) => {
    const added = await call('POST', '/sites', site).then(
      () => true,
      (error: Error) => notify({ text: `Not added: ${error.message}` }),
    );
    await queryClient.invalidateQueries({ queryKey: keys.sites });
    if (added) await navigate(`/sites/${site.id}`);
  };
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Stack direction="row" sx={{ alignItems: 'center', mb: 2 }}>
        <Typography variant="h1" sx={{ flexGrow: 1 }}>
          Sites
        </Typography>
        {plans && (
          <Button variant="contained" startIcon={<AddIcon />} onClick={() => setAdding(true)}>
            New place
          </Button>
        )}
      </Stack>
      {isAdding && (
        <NewPlaceDialog
          onClose={() => setAdding(false)}
          onAdd={(site) => {
            setAdding(false);
            void put(site);
          }}
        />
      )}
      {sites.data.length === 0 && (
        <EmptyState title="No place yet">
          Walk in once with a tape: the walls you hang on, the way from the van, the house rules. Every later
          job there starts from it.
        </EmptyState>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr', xl: '1fr 1fr 1fr' },
        }}
      >
        {sites.data.map((row) => (
          <SiteCard
            key={row.data.id}
            row={row}
            onCopy={() =>
              void put({
                ...row.data,
                id: newId(row.data.name),
                name: `${row.data.name}, copy`.slice(0, 120),
              })
            }
          />
        ))}
      </Box>
    </Box>
  );
}

function SiteCard({ row, onCopy }: { row: SiteRow; onCopy: () => void }) {
  const site = row.data;
  const { long } = useUnits();
  const plans = useMay('plan');
  const remove = useRowDelete<Site>(keys.sites, '/sites');
  const open = surveyWalk(site).filter((question) => !question.isAnswered);
  const waiting = [...new Set(open.flatMap((question) => question.lamps))].map(
    (lamp) => lampWords[lamp].word,
  );
  return (
    <Paper variant="outlined" component="article" aria-label={site.name} sx={{ p: 2 }}>
      <Stack direction="row" sx={{ alignItems: 'start', gap: 0.5 }}>
        <Box sx={{ flexGrow: 1, minWidth: 0 }}>
          <Typography variant="h2" noWrap title={site.name}>
            <Link component={RouterLink} to={`/sites/${site.id}`} color="inherit">
              {site.name}
            </Link>
          </Typography>
          <Typography sx={{ color: 'text.secondary' }}>
            {site.indoors ? 'Indoors' : 'Outdoors'} · {site.driveMin} min drive ·{' '}
            {long(site.loadIn.distanceM)} from the van
            {site.loadIn.steps > 0 && `, ${site.loadIn.steps} steps`}
          </Typography>
        </Box>
        {plans && (
          <>
            <Tooltip title="A copy to begin from">
              <IconButton aria-label={`Copy ${site.name}`} onClick={onCopy}>
                <CopyIcon />
              </IconButton>
            </Tooltip>
            <IconButton aria-label={`Delete ${site.name}`} onClick={() => void remove(row)}>
              <DeleteIcon />
            </IconButton>
          </>
        )}
      </Stack>
      {site.spots.map((spot) => (
        <Typography key={spot.id}>
          {spot.name}: {long(spot.widthM)} × {long(spot.heightM)}, {surfaceWords[spot.surface]}
        </Typography>
      ))}
      <Typography sx={{ mt: 1, fontSize: 14, color: 'text.secondary' }}>
        {open.length === 0
          ? 'Survey complete.'
          : `${open.length} ${open.length === 1 ? 'question' : 'questions'} left (${waiting.join(', ')} ${waiting.length === 1 ? 'needs' : 'need'} ${open.length === 1 ? 'it' : 'them'}).`}
      </Typography>
    </Paper>
  );
}
