import type { Site } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';

interface LiftFieldsProps {
  loadIn: Site['loadIn'];
  onChange: (edit: Partial<Site['loadIn']>) => void;
}

/** How far the lift goes, and what it takes. */
export function LiftFields({ loadIn, onChange }: LiftFieldsProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
      <CommitField
        label="Floors by lift"
        value={String(loadIn.floors ?? 0)}
        onCommit={(text) => wholeNumber(text, 0, 100, (floors) => void onChange({ floors }))}
      />
      <CommitField
        label="Loads the lift takes at once"
        helperText="A person carrying, or a wagon. Blank = all of them"
        value={loadIn.liftLoads === undefined ? '' : String(loadIn.liftLoads)}
        onCommit={(text) =>
          text.trim() === ''
            ? void onChange({ liftLoads: undefined })
            : wholeNumber(text, 1, 20, (liftLoads) => void onChange({ liftLoads }))
        }
      />
    </Box>
  );
}
