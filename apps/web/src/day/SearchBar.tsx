import { Box, Button, LinearProgress, Stack, Typography } from '@mui/material';

interface SearchBarProps {
  title: string;
  tried: number;
  /** Orders to be tried; undefined when the search is over. */
  of: number | undefined;
  hasPlan: boolean;
  onStop: () => void;
  /** Left out where a longer search is not offered. */
  onLonger: (() => void) | undefined;
  /** Left out where there is nothing new to use. */
  use: { label: string; isOffered: boolean; onUse: () => void } | undefined;
}

/** How far the search is; ends it, goes on with it, and takes over what it found. */
export function SearchBar({ title, tried, of, hasPlan, onStop, onLonger, use }: SearchBarProps) {
  return (
    <Stack direction="row" sx={{ alignItems: 'center', gap: 2, flexWrap: 'wrap', mb: 1 }}>
      <Typography variant="h2" sx={{ flexGrow: 1 }}>
        {title}
      </Typography>
      {of !== undefined && (
        <Box sx={{ width: 220 }}>
          <LinearProgress
            variant="determinate"
            value={Math.min(100, (tried / of) * 100)}
            aria-label="Plans tried"
          />
        </Box>
      )}
      {(of !== undefined || hasPlan) && (
        <Typography
          sx={{ fontSize: 14, ...(of === undefined ? { color: 'text.secondary' } : {}) }}
          data-testid="orders-tried"
        >
          {tried.toLocaleString('en')} plans tried
        </Typography>
      )}
      {of !== undefined ? (
        // Before the first plan there is nothing to keep, and nothing to go on from.
        <Button onClick={onStop} disabled={!hasPlan}>
          Stop here
        </Button>
      ) : (
        hasPlan && (
          <>
            {onLonger && <Button onClick={onLonger}>Search longer</Button>}
            {use && (
              <Button variant="contained" disabled={!use.isOffered} onClick={use.onUse}>
                {use.label}
              </Button>
            )}
          </>
        )
      )}
    </Stack>
  );
}
