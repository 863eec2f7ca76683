import type { Colour, OwnLayer } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  MenuItem,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { CommitField } from '../../parts/CommitField.tsx';
import { Swatch } from '../../parts/Swatch.tsx';
import { stillOffered } from '../../parts/still-offered.ts';

interface LayersFieldProps {
  label: string;
  value: readonly OwnLayer[] | undefined;
  usual: () => OwnLayer[];
  colours: readonly Colour[];
  /** Takes the layers over, or says what is wrong with them. */
  onChange: (layers: OwnLayer[] | undefined) => string | undefined;
}

/** Layers set one by one: how many balloons, blown to what, in which colour; the topmost first, as they stand. */
export function LayersField({ label, value, usual, colours, onChange }: LayersFieldProps) {
  const set = (at: number, edit: Partial<OwnLayer>) =>
    onChange((value ?? []).map((one, i) => (i === at ? { ...one, ...edit } : one)));
  const figure = (
    at: number,
    words: string,
    now: number,
    take: (value: number) => Partial<OwnLayer>,
    whole: boolean,
  ) => (
    <CommitField
      variant="standard"
      value={String(now)}
      onCommit={(text) => {
        const typed = Number(text.replace(',', '.'));
        if (text.trim() === '' || Number.isNaN(typed) || (whole && !Number.isInteger(typed)))
          return 'A number';
        return set(at, take(typed));
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `Layer ${at + 1}, ${words}` } }}
    />
  );
  return (
    <Box component="section" aria-label={label}>
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={value !== undefined}
            onChange={(event) => onChange(event.target.checked ? usual() : undefined)}
          />
        }
        label={label}
      />
      {value && (
        <>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: '24px 44px 52px 20px minmax(0, 1fr) 28px',
              gap: 0.75,
              alignItems: 'center',
            }}
          >
            <span />
            <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>of</Typography>
            <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>to, in.</Typography>
            <Typography sx={{ fontSize: 13, color: 'text.secondary', gridColumn: '4 / 7' }}>
              colour
            </Typography>
            {value
              .map((layer, i) => ({ layer, i }))
              .reverse()
              .map(({ layer, i }) => (
                <Box key={i} sx={{ display: 'contents' }}>
                  <Typography sx={{ fontSize: 13, color: 'text.secondary', textAlign: 'right' }}>
                    {i + 1}
                  </Typography>
                  {figure(i, 'balloons', layer.balloons, (balloons) => ({ balloons }), true)}
                  {figure(i, 'blown to', layer.inflatedIn, (inflatedIn) => ({ inflatedIn }), false)}
                  <Swatch hex={colours.find(({ id }) => id === layer.colour)?.hex ?? '#888888'} />
                  <TextField
                    select
                    variant="standard"
                    value={layer.colour}
                    onChange={(event) => set(i, { colour: event.target.value })}
                    slotProps={{ htmlInput: { 'aria-label': `Layer ${i + 1}, colour` } }}
                  >
                    {stillOffered(colours, [layer.colour]).map(({ id, name }) => (
                      <MenuItem key={id} value={id}>
                        {name}
                      </MenuItem>
                    ))}
                  </TextField>
                  <IconButton
                    size="small"
                    aria-label={`Remove layer ${i + 1}`}
                    disabled={value.length === 1}
                    onClick={() => onChange(value.filter((_, k) => k !== i))}
                  >
                    <CloseIcon fontSize="small" />
                  </IconButton>
                </Box>
              ))}
          </Box>
          <Button
            size="small"
            startIcon={<AddIcon />}
            disabled={value.length >= 80}
            onClick={() => onChange([...value, value.at(-1) as OwnLayer])}
          >
            Layer on top
          </Button>
        </>
      )}
    </Box>
  );
}
