import { Box } from '@mui/material';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';

interface ChoiceSheetProps {
  title: string;
  choices: readonly { id: string; label: string }[];
  onChoose: (id: string) => void;
  onClose: () => void;
}

/** One of several, each a large button. */
export function ChoiceSheet({ title, choices, onChoose, onClose }: ChoiceSheetProps) {
  return (
    <BottomSheet title={title} onClose={onClose}>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {choices.map(({ id, label }) => (
          <BigButton key={id} onClick={() => onChoose(id)}>
            {label}
          </BigButton>
        ))}
      </Box>
    </BottomSheet>
  );
}
