import { type Site, type SiteRow, type Spot, Surface } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  LinearProgress,
  MenuItem,
  Paper,
  Stack,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { call } from '../api/client.ts';
import { keys, queryClient, useSites } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { EmptyState } from '../parts/EmptyState.tsx';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useNotice } from '../parts/notices.tsx';
import { useRowDelete } from '../parts/useRowDelete.ts';
import { useRowSave } from '../parts/useRowSave.ts';

/** Places once surveyed, kept for next time. */
export function SitesScreen() {
  const sites = useSites();
  const tell = useNotice();
  if (sites.error) throw sites.error;
  if (!sites.data) return <LinearProgress aria-label="Opening the sites" />;
  const add = async () => {
    const site: Site = {
      id: newId('site'),
      name: 'New place',
      indoors: true,
      driveMin: 20,
      loadIn: { distanceM: 30.48, steps: 0 },
      spots: [{ id: 'wall', name: 'Wall', kind: 'wall', widthM: 4.8768, heightM: 3.048, surface: 'painted' }],
      rules: '',
      contact: '',
    };
    await call('POST', '/sites', site).catch((error: Error) => tell({ text: `Not added: ${error.message}` }));
    await queryClient.invalidateQueries({ queryKey: keys.sites });
  };
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Stack direction="row" sx={{ alignItems: 'center', mb: 2 }}>
        <Typography variant="h1" sx={{ flexGrow: 1 }}>
          Sites
        </Typography>
        <Button variant="contained" startIcon={<AddIcon />} onClick={() => void add()}>
          New place
        </Button>
      </Stack>
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
          gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' },
          alignItems: 'start',
        }}
      >
        {sites.data.map((row) => (
          <SiteCard key={row.data.id} row={row} />
        ))}
      </Box>
    </Box>
  );
}

function SiteCard({ row }: { row: SiteRow }) {
  const site = row.data;
  const save = useRowSave<Site>(keys.sites, `/sites/${site.id}`, row);
  const change = (edit: Partial<Site>) => save(() => edit);
  const changeSpot = (id: string, edit: Partial<Spot>) =>
    save(({ spots }) => ({ spots: spots.map((spot) => (spot.id === id ? { ...spot, ...edit } : spot)) }));
  const addSpot = () =>
    save(({ spots }) => ({
      spots: [
        ...spots,
        {
          id: newId('spot'),
          name: 'New wall',
          kind: 'wall',
          widthM: 3.6576,
          heightM: 3.048,
          surface: 'painted',
        },
      ],
    }));
  const remove = useRowDelete<Site>(keys.sites, '/sites');

  return (
    <Paper variant="outlined" component="article" aria-label={site.name} sx={{ p: 2 }}>
      <Stack spacing={1.75}>
        <Stack direction="row" sx={{ gap: 1 }}>
          <CommitField
            label="Place"
            fullWidth
            value={site.name}
            onCommit={(text) => someName(text, (name) => change({ name }))}
          />
          <IconButton aria-label={`Delete ${site.name}`} onClick={() => void remove(row)}>
            <DeleteIcon />
          </IconButton>
        </Stack>
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(3, 1fr)' }}>
          <CommitField
            label="Drive, minutes"
            value={String(site.driveMin)}
            onCommit={(text) => wholeNumber(text, 0, 720, (driveMin) => change({ driveMin }))}
          />
          <LengthField
            label="Van to spot"
            valueM={site.loadIn.distanceM}
            min={0}
            max={2000}
            onCommit={(distanceM) => save(({ loadIn }) => ({ loadIn: { ...loadIn, distanceM } }))}
          />
          <CommitField
            label="Steps"
            value={String(site.loadIn.steps)}
            onCommit={(text) =>
              wholeNumber(text, 0, 500, (steps) => save(({ loadIn }) => ({ loadIn: { ...loadIn, steps } })))
            }
          />
        </Box>
        <FormControlLabel
          control={
            <Switch checked={site.indoors} onChange={(event) => change({ indoors: event.target.checked })} />
          }
          label="Indoors"
        />
        {site.spots.map((spot) => (
          <Box
            key={spot.id}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: '1fr 1fr', sm: '1.5fr 1fr 1fr 1.1fr auto' },
              alignItems: 'start',
            }}
          >
            <CommitField
              label="Spot"
              value={spot.name}
              onCommit={(text) => someName(text, (name) => changeSpot(spot.id, { name }))}
            />
            <LengthField
              label="Width"
              valueM={spot.widthM}
              max={60}
              onCommit={(widthM) => changeSpot(spot.id, { widthM })}
            />
            <LengthField
              label="Height"
              valueM={spot.heightM}
              max={20}
              onCommit={(heightM) => changeSpot(spot.id, { heightM })}
            />
            <TextField
              select
              label="Surface"
              value={spot.surface}
              onChange={(event) => changeSpot(spot.id, { surface: Surface.parse(event.target.value) })}
            >
              {Surface.options.map((surface) => (
                <MenuItem key={surface} value={surface}>
                  {surface}
                </MenuItem>
              ))}
            </TextField>
            <IconButton
              aria-label={`Delete ${spot.name}`}
              disabled={site.spots.length === 1}
              onClick={() => save(({ spots }) => ({ spots: spots.filter((one) => one.id !== spot.id) }))}
            >
              <DeleteIcon />
            </IconButton>
          </Box>
        ))}
        <Button startIcon={<AddIcon />} onClick={addSpot} sx={{ alignSelf: 'start' }}>
          Add a spot
        </Button>
        <CommitField
          label="House rules"
          multiline
          value={site.rules}
          onCommit={(rules) => void change({ rules }) as undefined}
        />
        <CommitField
          label="Contact"
          value={site.contact}
          onCommit={(contact) => void change({ contact }) as undefined}
        />
      </Stack>
    </Paper>
  );
}
