import { Box, Typography } from '@mui/material';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';

/** By how much a task runs over, as one says it. */
const MINUTES = [5, 10, 15, 20, 30, 45, 60];

interface LateSheetProps {
  title: string;
  onLate: (minutes: number) => void;
  onClose: () => void;
}

/** How much longer it will take: everybody sees it. */
export function LateSheet({ title, onLate, onClose }: LateSheetProps) {
  return (
    <BottomSheet title="How much longer will it take?" onClose={onClose}>
      <Typography sx={{ fontSize: '1.0625rem' }}>{title}</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(96px, 1fr))', gap: 1 }}>
        {MINUTES.map((minutes) => (
          <BigButton key={minutes} onClick={() => onLate(minutes)}>
            {minutes} min
          </BigButton>
        ))}
      </Box>
    </BottomSheet>
  );
}
