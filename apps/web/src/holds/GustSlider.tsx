import { Box, Button, Slider, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';

interface GustSliderProps {
  /** The gust looked at, and the one the lamp is checked at. */
  gustMs: number;
  planned: number;
  source: string;
  /** Only outdoors is a gust to be expected. */
  isOutdoors: boolean;
  onLook: (gustMs: number | undefined) => void;
}

/** The slider shows every factor at another gust; a button makes it the one expected on the day. */
export function GustSlider({ gustMs, planned, source, isOutdoors, onLook }: GustSliderProps) {
  const { store } = useJob();
  const { wind } = useUnits();
  const isOther = Math.abs(gustMs - planned) > 0.01;
  const expect = () => {
    store.change((before) => ({
      ...before,
      head: { ...before.head, gustMs: Number(gustMs.toFixed(1)) },
    }));
    onLook(undefined);
  };
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="h3" id="gust-label">
          At a gust of
        </Typography>
        <Typography sx={{ fontSize: 20, fontWeight: 700 }} data-testid="gust">
          {wind(gustMs)}
        </Typography>
      </Stack>
      <Slider
        aria-labelledby="gust-label"
        value={gustMs}
        min={0}
        max={25}
        step={0.1}
        shiftStep={1}
        getAriaValueText={(value) => wind(value)}
        onChange={(_, value) => onLook(value as number)}
        marks={[{ value: planned }]}
      />
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        Checked at {wind(planned)}: {source}.
      </Typography>
      {isOther && (
        <Stack direction="row" sx={{ gap: 1, mt: 0.75 }}>
          <Button size="small" variant="outlined" onClick={() => onLook(undefined)}>
            Back to {wind(planned)}
          </Button>
          {isOutdoors && (
            <Button size="small" variant="contained" onClick={expect}>
              Expect {wind(gustMs)}
            </Button>
          )}
        </Stack>
      )}
    </Box>
  );
}
