import BackIcon from '@mui/icons-material/ChevronLeft';
import NextIcon from '@mui/icons-material/ChevronRight';
import { IconButton, Slider, Stack, Typography } from '@mui/material';

interface LoadStepsProps {
  count: number;
  /** Things in so far. */
  step: number;
  onStep: (step: number) => void;
  /** What goes in next. */
  next: string | undefined;
}

/** Goes through the loading, thing by thing; to the left it is unloaded. */
export function LoadSteps({ count, step, onStep, next }: LoadStepsProps) {
  return (
    <Stack className="no-print" sx={{ mb: 1 }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
        <IconButton
          aria-label="Take the last one out"
          disabled={step === 0}
          onClick={() => onStep(step - 1)}
          sx={{ color: 'inherit' }}
        >
          <BackIcon />
        </IconButton>
        <Slider
          aria-label="Things loaded"
          size="small"
          min={0}
          max={count}
          value={step}
          onChange={(_, value) => onStep(value as number)}
          sx={{ color: '#1b6468' }}
        />
        <IconButton
          aria-label="Put the next one in"
          disabled={step === count}
          onClick={() => onStep(step + 1)}
          sx={{ color: 'inherit' }}
        >
          <NextIcon />
        </IconButton>
        <Typography sx={{ minWidth: 72, textAlign: 'right', fontVariantNumeric: 'tabular-nums' }}>
          {step} of {count}
        </Typography>
      </Stack>
      <Typography sx={{ fontSize: 14, minHeight: 22 }} role="status">
        {next ? `Next in: ${next}` : 'All in.'}
      </Typography>
    </Stack>
  );
}
