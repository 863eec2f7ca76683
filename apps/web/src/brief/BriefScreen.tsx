import DownloadIcon from '@mui/icons-material/Download';
import { Box, Button, Stack } from '@mui/material';
import { useJob } from '../job/context.ts';
import { jobFileAddress, useSavedFile } from '../job/saved-file.ts';
import { JobLinksCard } from '../people/JobLinksCard.tsx';
import { useMay } from '../people/me.ts';
import { CrewCard } from './CrewCard.tsx';
import { OccasionCard } from './OccasionCard.tsx';
import { TimesCard } from './TimesCard.tsx';
import { WayPanel } from './WayPanel.tsx';

/** What was agreed: the occasion, the place, the times and the people. */
export function BriefScreen() {
  const { head } = useJob().document;
  const download = useSavedFile();
  const plans = useMay('plan');
  return (
    <Box
      sx={{
        px: { xs: 1.5, sm: 3 },
        pb: 3,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
        alignItems: 'start',
      }}
    >
      <Stack spacing={2}>
        <OccasionCard />
        <WayPanel />
      </Stack>
      <Stack spacing={2}>
        <TimesCard />
        <CrewCard />
        {plans && <JobLinksCard />}
        <Button
          sx={{ alignSelf: 'start' }}
          variant="outlined"
          startIcon={<DownloadIcon />}
          onClick={() => download(jobFileAddress(head.id))}
        >
          Export as a job file
        </Button>
      </Stack>
    </Box>
  );
}
