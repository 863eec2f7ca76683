import { Alert } from '@mui/material';

/** Two people have said different things without knowing of each other: whoever presses a button now decides. */
export function Contradiction({ says }: { says: readonly string[] }) {
  return (
    <Alert severity="warning" icon={false} variant="outlined" sx={{ fontSize: '1.0625rem' }}>
      {says.join('; ')}. Which is right?
    </Alert>
  );
}
