import type { Plan } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { BigButton } from './BigButton.tsx';

interface CautionGateProps {
  cautions: Plan['cautions'];
  onRead: () => void;
}

/** What may hurt at a task, to be read before it is begun. */
export function CautionGate({ cautions, onRead }: CautionGateProps) {
  return (
    <Box
      role="group"
      aria-label="Read before you start"
      sx={{ borderLeft: '6px solid var(--mui-palette-out)', pl: 1.5, display: 'grid', gap: 1 }}
    >
      <Typography variant="h2" sx={{ fontSize: '1.25rem' }}>
        Read before you start
      </Typography>
      <CautionTexts cautions={cautions} />
      <BigButton onClick={onRead} variant="contained">
        I have read this
      </BigButton>
    </Box>
  );
}

/** Each with who decides in the end. */
export function CautionTexts({ cautions }: { cautions: Plan['cautions'] }) {
  return cautions.map(({ code, text, defersTo }) => (
    <Typography key={code} sx={{ fontSize: '1.0625rem' }}>
      {text} <em>Decides: {defersTo}.</em>
    </Typography>
  ));
}
