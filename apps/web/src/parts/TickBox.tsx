import CheckIcon from '@mui/icons-material/Check';
import { Box } from '@mui/material';

/** The box of a line that is ticked by a press anywhere on it; what it says is said by the line. */
export function TickBox({ isTicked, size = 26 }: { isTicked: boolean; size?: number }) {
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{
        flex: 'none',
        width: size,
        height: size,
        border: '2px solid currentColor',
        borderRadius: '6px',
        display: 'grid',
        placeItems: 'center',
        bgcolor: isTicked ? 'secondary.main' : 'transparent',
        color: isTicked ? 'background.paper' : 'text.primary',
      }}
    >
      {isTicked && <CheckIcon fontSize="small" />}
    </Box>
  );
}
