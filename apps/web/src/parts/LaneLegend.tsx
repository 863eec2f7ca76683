import { Box } from '@mui/material';
import { Fragment, type ReactNode } from 'react';
import { placeFill } from './LaneChart.tsx';

const words = { workshop: 'in the workshop', road: 'on the road', site: 'on site' } as const;

/** What the looks of bars mean. */
export function LaneLegend({ children }: { children?: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 2,
        rowGap: 0.5,
        mt: 1,
        flexWrap: 'wrap',
        fontSize: 13,
        color: 'text.secondary',
        alignItems: 'center',
      }}
    >
      {(['workshop', 'road', 'site'] as const).map((place) => (
        <Fragment key={place}>
          <Box
            component="span"
            sx={{
              width: 18,
              height: 12,
              border: 1.5,
              borderColor: 'text.primary',
              bgcolor: placeFill[place],
              borderRadius: 0.5,
              borderStyle: place === 'workshop' ? 'dashed' : 'solid',
            }}
          />
          <span>{words[place]}</span>
        </Fragment>
      ))}
      {children}
    </Box>
  );
}
