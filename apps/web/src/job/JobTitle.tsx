import { Box, Stack, Typography } from '@mui/material';
import { memo } from 'react';
import { Link, NavLink } from 'react-router';
import { tabs } from './tabs.ts';

interface JobTitleProps {
  name: string;
  day: string;
  place: string;
}

/** Where one is: the day, the place, the job; on a phone a line for each. */
export const JobTitle = memo(function JobTitle({ name, day, place }: JobTitleProps) {
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography noWrap sx={{ fontSize: { xs: 13, sm: 14 }, color: 'text.secondary' }}>
        <Box component={Link} to="/" sx={{ color: 'inherit' }}>
          Horizon
        </Box>{' '}
        / {day} · {place}
      </Typography>
      <Typography
        variant="h1"
        title={name}
        sx={{
          overflowWrap: 'anywhere',
          fontSize: { xs: 20, sm: 28 },
          // On a phone a long name is cut off: the place of work comes first.
          display: { xs: '-webkit-box', sm: 'block' },
          WebkitBoxOrient: 'vertical',
          WebkitLineClamp: { xs: 1, sm: 'none' },
          overflow: 'hidden',
        }}
      >
        {name}
      </Typography>
    </Box>
  );
});

/** The job's pages in the order of the work: all of them in sight on a phone, and an edge that fades where they are not. */
export const JobTabs = memo(function JobTabs() {
  return (
    <Stack
      component="nav"
      aria-label="Pages of this job"
      direction="row"
      sx={{
        columnGap: { xs: '11px', sm: 2.5 },
        overflowX: 'auto',
        scrollbarWidth: { xs: 'none', sm: 'auto' },
        maskImage: { xs: 'linear-gradient(90deg, #000 calc(100% - 14px), transparent)', sm: 'none' },
        pr: { xs: '14px', sm: 0 },
      }}
    >
      {tabs.map((tab) => (
        <Box
          key={tab.path}
          component={NavLink}
          to={tab.path}
          sx={{
            color: 'text.secondary',
            fontWeight: 650,
            fontSize: { xs: 13.5, sm: 16 },
            textDecoration: 'none',
            whiteSpace: 'nowrap',
            py: { xs: 0.75, sm: 0.5 },
            borderBottom: '3px solid transparent',
            '&.active': { color: 'text.primary', borderColor: 'text.primary' },
          }}
        >
          {tab.label}
        </Box>
      ))}
    </Stack>
  );
});
