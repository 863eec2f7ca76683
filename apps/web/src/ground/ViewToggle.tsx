import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import { hasWebGl } from '../parts/webgl.ts';

/** A spot as its elevation, from above, or in the round. */
export type SpotView = 'front' | 'above' | 'round';

interface ViewToggleProps {
  view: SpotView;
  onView: (view: SpotView) => void;
  /** What stands there can be walked round; a place without pieces has nothing to show so. */
  hasRound?: boolean;
}

/** Which way a spot is looked at. */
export function ViewToggle({ view, onView, hasRound = false }: ViewToggleProps) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={view}
      aria-label="Seen from"
      onChange={(_, next: SpotView | null) => next && onView(next)}
      sx={{ '& .MuiToggleButton-root': { py: 0.4, textTransform: 'none' } }}
    >
      <ToggleButton value="front">From the front</ToggleButton>
      <ToggleButton value="above">From above</ToggleButton>
      {hasRound && hasWebGl() && <ToggleButton value="round">In the round</ToggleButton>}
    </ToggleButtonGroup>
  );
}
