import type { Fix, Plan } from '@early-lantern/contract';
import { Box, Stack } from '@mui/material';
import { memo } from 'react';
import { LanternString } from '../parts/LanternString.tsx';
import { JobTabs, JobTitle } from './JobTitle.tsx';
import type { JobStore } from './job-store.ts';
import { SaveNote } from './SaveNote.tsx';
import type { SaveState } from './save-state.ts';
import { UndoRedo } from './UndoRedo.tsx';
import { Verdict } from './Verdict.tsx';

interface JobHeadProps {
  name: string;
  day: string;
  place: string;
  lamps: Plan['lamps'] | undefined;
  onApply: (fix: Fix) => void;
  store: JobStore;
  save: SaveState;
  canUndo: boolean;
  canRedo: boolean;
  /** Whoever is signed in may not change it. */
  isLookOnly: boolean;
}

/** Above every page of a job: what it is, its pages, its lamps, what is wrong first, and whether it is saved. */
export const JobHead = memo(function JobHead(props: JobHeadProps) {
  const { name, day, place, lamps, store, save, canUndo, canRedo, isLookOnly } = props;
  const onApply = isLookOnly ? undefined : props.onApply;
  return (
    <Box
      className="no-print"
      data-testid="job-head"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr) auto', lg: 'minmax(0, 1fr) minmax(520px, 1.1fr)' },
        gridTemplateAreas: {
          xs: '"title tools" "tabs tabs" "lamps lamps" "verdict verdict"',
          lg: '"title lamps" "tabs lamps" "verdict verdict"',
        },
        columnGap: { xs: 1, lg: 3 },
        rowGap: { xs: 0.25, sm: 0.75 },
        px: { xs: 1.5, sm: 3 },
        pb: { xs: 0.5, sm: 1 },
        alignItems: 'start',
      }}
    >
      <Box sx={{ gridArea: 'title', minWidth: 0 }}>
        <JobTitle name={name} day={day} place={place} />
      </Box>
      <Box sx={{ gridArea: 'tabs', minWidth: 0 }}>
        <JobTabs />
      </Box>
      <Box sx={{ gridArea: 'lamps', minWidth: 0 }}>
        <LanternString lamps={lamps} onApply={onApply} />
      </Box>
      {/* As high with a sentence as without: what is drawn below must not move while a line is dragged. */}
      <Box
        sx={{
          gridArea: 'verdict',
          minWidth: 0,
          minHeight: { xs: 40, sm: 46 },
          pr: { lg: '190px' },
          alignSelf: 'center',
        }}
      >
        {lamps && <Verdict lamps={lamps} onApply={onApply} />}
      </Box>
      <Stack
        direction="row"
        sx={{
          gridArea: { xs: 'tools', lg: 'verdict' },
          justifySelf: 'end',
          alignSelf: 'center',
          alignItems: 'center',
          columnGap: { xs: 0.5, sm: 2 },
        }}
      >
        <SaveNote save={save} isLookOnly={isLookOnly} />
        {!isLookOnly && <UndoRedo store={store} canUndo={canUndo} canRedo={canRedo} />}
      </Stack>
    </Box>
  );
});
