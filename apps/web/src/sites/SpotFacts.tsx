import { Floor, type Site, type Spot, SpotKind, Surface } from '@early-lantern/contract';
import { hasSurface } from '@early-lantern/core';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  MenuItem,
  Paper,
  Stack,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import type { FocusEvent } from 'react';
import { PHOTO_M } from '../looks/standpoints.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { wallHex } from '../pieces/surface-patterns.tsx';
import { asKind } from './new-place.ts';
import { type OutlineShape, outlineOf, outlineWords, shapeOf } from './outlines.ts';
import { SpotAir } from './SpotAir.tsx';
import { conditionWords, floorWords, spotWords, surfaceWords } from './words.ts';

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

const PHOTO_FIELDS = [
  { key: 'xM', label: 'Camera, from the left' },
  { key: 'outM', label: 'Camera, out from the wall' },
] as const;

/** Where photographs are taken from as long as nobody has said: before the middle, with room for a group. */
const usualPhoto = ({ widthM }: Spot) => ({ xM: widthM / 2, outM: PHOTO_M });

/** The spot in figures. */
export function SpotFacts({ spot, site, onChange, onRemove }: SpotFactsProps) {
  const showsSurface = hasSurface(spot.kind);
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
        {showsSurface && (
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
        )}
        {showsSurface && (
          <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
            <Box
              component="input"
              type="color"
              aria-label={`Colour of ${spot.name}`}
              key={spot.colour ?? spot.surface}
              defaultValue={wallHex(spot)}
              onBlur={(event: FocusEvent<HTMLInputElement>) => {
                const colour = event.target.value.toLowerCase();
                if (colour !== wallHex(spot)) onChange({ colour });
              }}
              sx={{ width: 44, height: 36, p: 0, border: 0, bgcolor: 'transparent' }}
            />
            <Typography sx={{ fontSize: 14 }}>Colour</Typography>
            {spot.colour && (
              <Button size="small" onClick={() => onChange({ colour: undefined })}>
                As usual
              </Button>
            )}
          </Stack>
        )}
        {PHOTO_FIELDS.map(({ key, label }) => (
          <LengthField
            key={key}
            label={label}
            max={60}
            valueM={spot.photoFrom?.[key] ?? usualPhoto(spot)[key]}
            onCommit={(typed) =>
              onChange({ photoFrom: { ...usualPhoto(spot), ...spot.photoFrom, [key]: typed } })
            }
          />
        ))}
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
        <SpotAir spot={spot} isIndoors={spot.indoors ?? site.indoors} onChange={onChange} />
        {showsSurface && (
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
        )}
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
