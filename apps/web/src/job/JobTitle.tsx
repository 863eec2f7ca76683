import { Box, Stack, Typography } from '@mui/material';
import { memo } from 'react';
import { Link, NavLink } from 'react-router';
import { tabs } from './tabs.ts';

interface JobTitleProps {
  name: string;
  day: string;
  place: string;
}

/** Where one is: the day, the place, the job, and its pages in the order of the work. */
export const JobTitle = memo(function JobTitle({ name, day, place }: JobTitleProps) {
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        <Box component={Link} to="/" sx={{ color: 'inherit' }}>
          Horizon
        </Box>{' '}
        / {day} · {place}
      </Typography>
      <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
        {name}
      </Typography>
      <Stack
        component="nav"
        aria-label="Pages of this job"
        direction="row"
        sx={{ gap: 2.5, mt: 0.75, overflowX: 'auto' }}
      >
        {tabs.map((tab) => (
          <Box
            key={tab.path}
            component={NavLink}
            to={tab.path}
            sx={{
              color: 'text.secondary',
              fontWeight: 650,
              textDecoration: 'none',
              whiteSpace: 'nowrap',
              py: 0.5,
              borderBottom: '3px solid transparent',
              '&.active': { color: 'text.primary', borderColor: 'text.primary' },
            }}
          >
            {tab.label}
          </Box>
        ))}
      </Stack>
    </Box>
  );
});
