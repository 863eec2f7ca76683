import type { Filler } from '@early-lantern/contract';
import {
  inchesToMetres,
  knownSizes,
  METRES_PER_FOOT,
  metresToInches,
  sizeName,
  sizeOf,
} from '@early-lantern/core';
import { Box, Button, MenuItem, Slider, Stack, TextField, Typography } from '@mui/material';
import { useWorkshop } from '../api/queries.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { type MixProps, usedIn } from './mix-props.ts';

const makes: readonly [number, string][] = [
  [1, 'singles'],
  [2, 'duplets'],
  [3, 'trios'],
  [4, 'quads'],
  [5, 'five-clusters'],
  [6, 'six-clusters'],
];
const nameOf = (size = 3) => makes.find(([one]) => one === size)?.[1] ?? 'fillers';

/** The fillers of an organic dressing: small ones, and larger ones for large gaps. */
export function Fillers({ mix, onChange }: MixProps) {
  const { triosPerM, ...small } = mix.fillers;
  const large = mix.largeFillers;
  return (
    <Box component="section" aria-label="Fillers" sx={{ display: 'grid', gap: 1.5 }}>
      <FillerFields
        title="Fillers"
        filler={small}
        perM={triosPerM}
        onChange={(filler, perM, gesture) =>
          onChange(
            ({ colours }) => ({
              fillers: { ...filler, triosPerM: perM },
              colours: usedIn(colours, filler.nominalIn),
            }),
            gesture,
          )
        }
      />
      {large ? (
        <FillerFields
          title="For large gaps"
          filler={large}
          perM={large.perM}
          onChange={(filler, perM, gesture) =>
            onChange(
              ({ colours }) => ({
                largeFillers: { ...filler, perM },
                colours: usedIn(colours, filler.nominalIn),
              }),
              gesture,
            )
          }
          onRemove={() => onChange({ largeFillers: undefined })}
        />
      ) : (
        <Button
          size="small"
          sx={{ justifySelf: 'start' }}
          onClick={() =>
            onChange(({ colours }) => ({
              largeFillers: {
                nominalIn: 9,
                inflatedIn: { min: 5, max: 8 },
                perM: Number((triosPerM / 4).toFixed(4)),
              },
              colours: usedIn(colours, 9),
            }))
          }
        >
          Add larger fillers for large gaps
        </Button>
      )}
    </Box>
  );
}

interface FillerFieldsProps {
  title: string;
  filler: Filler;
  perM: number;
  onChange: (filler: Filler, perM: number, gesture?: string) => void;
  onRemove?: () => void;
}

const BLOWN = 'blown';

function FillerFields({ title, filler, perM, onChange, onRemove }: FillerFieldsProps) {
  const workshop = useWorkshop();
  const sizes = knownSizes(workshop).filter((size) => size > 2 && size <= 12);
  const set = (edit: Partial<Filler>) => onChange({ ...filler, ...edit }, perM);
  const blown = (edit: Partial<Filler['inflatedIn']>) => {
    const { min, max } = { ...filler.inflatedIn, ...edit };
    set({ inflatedIn: { min: Math.min(min, max), max: Math.max(min, max) } });
  };
  const tidy = (metres: number) => Number(metresToInches(metres).toFixed(3));
  const perFoot = perM * METRES_PER_FOOT;
  return (
    <Box>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
        <Typography sx={{ fontSize: 14, flexGrow: 1 }}>
          {title}: {perFoot.toFixed(1)} {nameOf(filler.size)} a foot at 22 in wide
        </Typography>
        {onRemove && (
          <Button size="small" onClick={onRemove}>
            Remove
          </Button>
        )}
      </Stack>
      <Slider
        size="small"
        aria-label={`${title}, a foot`}
        value={perFoot}
        min={0}
        max={5}
        step={0.25}
        onChange={(_, value) =>
          onChange(filler, Number(((value as number) / METRES_PER_FOOT).toFixed(4)), `fillers-${title}`)
        }
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        <TextField
          select
          label="Tied as"
          value={String(filler.size ?? 3)}
          onChange={(event) => set({ size: Number(event.target.value) })}
        >
          {makes.map(([size, name]) => (
            <MenuItem key={size} value={String(size)}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Size"
          value={String(filler.nominalIn)}
          onChange={(event) => {
            const nominalIn = Number(event.target.value);
            set({
              nominalIn,
              inflatedIn: { ...sizeOf(nominalIn, workshop).blowIn },
              foldedFromIn: undefined,
            });
          }}
        >
          {[...new Set([...sizes, filler.nominalIn])].map((size) => (
            <MenuItem key={size} value={String(size)}>
              {sizeName(size)}
            </MenuItem>
          ))}
        </TextField>
        <Stack direction="row" sx={{ alignItems: 'center', gap: 0.75 }}>
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>to</Typography>
          {(['min', 'max'] as const).map((end) => (
            <LengthField
              key={end}
              short
              variant="standard"
              valueM={inchesToMetres(filler.inflatedIn[end])}
              min={0.0254}
              max={inchesToMetres(filler.nominalIn)}
              onCommit={(metres) => blown({ [end]: tidy(metres) })}
              slotProps={{
                htmlInput: { 'aria-label': `${title}, blown to at ${end === 'min' ? 'least' : 'most'}` },
              }}
              sx={{ width: 56 }}
            />
          ))}
        </Stack>
        <TextField
          select
          label="Made"
          value={filler.foldedFromIn === undefined ? BLOWN : String(filler.foldedFromIn)}
          onChange={({ target }) =>
            set({ foldedFromIn: target.value === BLOWN ? undefined : Number(target.value) })
          }
        >
          <MenuItem value={BLOWN}>blown singly</MenuItem>
          {[9, 10, 11, 12]
            .filter((size) => size > filler.nominalIn)
            .map((size) => (
              <MenuItem key={size} value={String(size)}>
                folded from {sizeName(size)}
              </MenuItem>
            ))}
        </TextField>
      </Box>
    </Box>
  );
}
