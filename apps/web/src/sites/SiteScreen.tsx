import { Floor, type Site, type SiteRow, type Spot, SpotKind, Surface } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import UndoIcon from '@mui/icons-material/Undo';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  LinearProgress,
  Link,
  MenuItem,
  Paper,
  Stack,
  Switch,
  Tab,
  Tabs,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink, useParams, useSearchParams } from 'react-router';
import { useSites } from '../api/queries.ts';
import { ViewToggle } from '../ground/ViewToggle.tsx';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useUnits } from '../preferences.tsx';
import { GroundEditor } from './GroundEditor.tsx';
import { MarkPanel } from './MarkPanel.tsx';
import { listWords, type Mark, type MarkList, marksOf, newMark, withMark, withoutMark } from './marks.ts';
import { asKind } from './new-place.ts';
import { type OutlineShape, outlineOf, outlineWords, shapeOf } from './outlines.ts';
import { SiteFacts } from './SiteFacts.tsx';
import { SpotEditor } from './SpotEditor.tsx';
import { SurveyWalk } from './SurveyWalk.tsx';
import { useSiteEdit } from './useSiteEdit.ts';
import { conditionWords, floorWords, spotWords, surfaceWords } from './words.ts';

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
          <Link component={RouterLink} to="/sites" color="inherit" sx={{ fontSize: 14 }}>
            Sites
          </Link>
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

interface SpotFactsProps {
  spot: Spot;
  site: Site;
  /** A key set to undefined is left out again. */
  onChange: (edit: { [K in keyof Spot]?: Spot[K] | undefined }) => void;
  onRemove: () => void;
}

/** Which way the treads go up, and how far: one stands on them to reach. */
function StairFields({ spot, onChange }: Pick<SpotFactsProps, 'spot' | 'onChange'>) {
  const { up, riseM } = spot.stair ?? { up: 'right' as const, riseM: Math.min(3, spot.heightM) };
  return (
    <>
      <TextField
        select
        label="Goes up to the"
        value={spot.stair ? up : ''}
        onChange={({ target }) =>
          onChange({ stair: { up: target.value === 'left' ? 'left' : 'right', riseM } })
        }
      >
        <MenuItem value="left">left</MenuItem>
        <MenuItem value="right">right</MenuItem>
      </TextField>
      <LengthField
        label="Rises by"
        valueM={riseM}
        max={20}
        onCommit={(typed) => onChange({ stair: { up, riseM: typed } })}
      />
    </>
  );
}

/** The spot in figures. */
function SpotFacts({ spot, site, onChange, onRemove }: SpotFactsProps) {
  const { tempUnit, tempNumber } = useUnits();
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label={`${spot.name} in figures`}>
      <Stack direction="row" sx={{ gap: 1, mb: 1.25 }}>
        <CommitField
          fullWidth
          label="Spot"
          value={spot.name}
          onCommit={(text) => someName(text, (name) => onChange({ name }))}
        />
        <IconButton aria-label={`Delete ${spot.name}`} disabled={site.spots.length === 1} onClick={onRemove}>
          <DeleteIcon />
        </IconButton>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        {spot.kind === 'stair' && <StairFields spot={spot} onChange={onChange} />}
        <TextField
          select
          label="It is a"
          value={spot.kind}
          onChange={(event) => {
            const next = asKind(spot, SpotKind.parse(event.target.value));
            // What no longer applies is left out again.
            onChange({ regions: undefined, conditions: undefined, stair: undefined, ...next });
          }}
        >
          {SpotKind.options.map((kind) => (
            <MenuItem key={kind} value={kind}>
              {spotWords[kind]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Surface"
          value={spot.surface}
          onChange={(event) => onChange({ surface: Surface.parse(event.target.value) })}
        >
          {Surface.options.map((surface) => (
            <MenuItem key={surface} value={surface}>
              {surfaceWords[surface]}
            </MenuItem>
          ))}
        </TextField>
        <LengthField
          label="Width"
          max={60}
          valueM={spot.widthM}
          onCommit={(widthM) => onChange({ widthM })}
        />
        <LengthField
          label="Height"
          max={20}
          valueM={spot.heightM}
          onCommit={(heightM) => onChange({ heightM })}
        />
        <LengthField
          label="Floor in front"
          max={60}
          valueM={spot.depthM}
          placeholder="not measured"
          slotProps={{ inputLabel: { shrink: true } }}
          onCommit={(depthM) => onChange({ depthM })}
          onClear={() => onChange({ depthM: undefined })}
        />
        <TextField
          select
          label="Floor"
          value={spot.floor ?? ''}
          onChange={(event) => onChange({ floor: Floor.parse(event.target.value) })}
        >
          {Floor.options.map((floor) => (
            <MenuItem key={floor} value={floor}>
              {floorWords[floor]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Outline"
          value={shapeOf(spot)}
          onChange={(event) => {
            const shape = event.target.value as OutlineShape;
            if (shape === 'rectangle') onChange({ outline: undefined });
            else if (shape !== 'own') onChange({ outline: outlineOf(shape, spot) });
          }}
          sx={{ gridColumn: '1 / -1' }}
        >
          {(Object.keys(outlineWords) as OutlineShape[]).map((shape) => (
            <MenuItem key={shape} value={shape} disabled={shape === 'own'}>
              {outlineWords[shape]}
            </MenuItem>
          ))}
        </TextField>
        {!(spot.indoors ?? site.indoors) && (
          <TextField
            select
            label="Wind comes at it"
            value={spot.openness ?? 'open'}
            onChange={(event) => onChange({ openness: event.target.value === 'open' ? 'open' : 'sheltered' })}
          >
            <MenuItem value="open">in the open</MenuItem>
            <MenuItem value="sheltered">in shelter</MenuItem>
          </TextField>
        )}
        {(spot.indoors ?? site.indoors) && (
          <CommitField
            label={`Hottest, ${tempUnit}`}
            value={spot.tempC === undefined ? '' : String(Math.round(tempNumber(spot.tempC)))}
            placeholder={`${Math.round(tempNumber(21))} as usual`}
            slotProps={{ inputLabel: { shrink: true } }}
            onCommit={(text) => {
              const typed = Number(text.replace(',', '.'));
              const tempC = tempUnit === '°F' ? (typed - 32) / 1.8 : typed;
              if (!text.trim() || !(tempC >= -20 && tempC <= 50)) return 'A temperature of the air, please';
              onChange({ tempC: Number(tempC.toFixed(1)) });
              return undefined;
            }}
          />
        )}
        <TextField
          select
          label="What spoils adhesive"
          value={spot.conditions ?? []}
          onChange={(event) =>
            onChange({ conditions: event.target.value as unknown as NonNullable<Spot['conditions']> })
          }
          slotProps={{ select: { multiple: true }, inputLabel: { shrink: true } }}
        >
          {(Object.keys(conditionWords) as (keyof typeof conditionWords)[]).map((one) => (
            <MenuItem key={one} value={one}>
              {conditionWords[one]}
            </MenuItem>
          ))}
        </TextField>
        <FormControlLabel
          control={
            <Switch
              checked={spot.indoors ?? site.indoors}
              onChange={(event) => onChange({ indoors: event.target.checked })}
            />
          }
          label="Indoors"
        />
      </Box>
      {spot.sun && (
        <Typography sx={{ mt: 1, fontSize: 14, color: 'text.secondary' }}>
          Direct sun: {spot.sun.map(({ from, to }) => `${from} to ${to}`).join(', ') || 'none'}
        </Typography>
      )}
    </Paper>
  );
}
