import type { Site } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import { Box, Button, Paper, Stack, Tab, Tabs } from '@mui/material';
import { useState } from 'react';
import { ViewToggle } from '../ground/ViewToggle.tsx';
import { GroundEditor } from './GroundEditor.tsx';
import { listWords, type MarkList } from './marks.ts';
import { SpotEditor } from './SpotEditor.tsx';
import type { useSpotMarks } from './use-spot-marks.ts';

/** The spots of a place, one of them drawn to scale from the front or from above, and what can be put on it. */
export function SpotDrawer({ site, marks }: { site: Site; marks: ReturnType<typeof useSpotMarks> }) {
  const { spot, chosen, setChosen, setSpotId, editMark, addMark, changeSpot, addSpot } = marks;
  const [fromAbove, setFromAbove] = useState(false);
  return (
    <Paper variant="outlined" sx={{ p: 1, minWidth: 0, gridArea: 'draw' }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1 }}>
        <Tabs
          value={spot.id}
          onChange={(_, id: string) => setSpotId(id)}
          variant="scrollable"
          scrollButtons={false}
          aria-label="Spots"
          sx={{ minHeight: 40, flexGrow: 1, '& .MuiTab-root': { minHeight: 40, py: 0.5 } }}
        >
          {site.spots.map((one) => (
            <Tab key={one.id} value={one.id} label={one.name} />
          ))}
        </Tabs>
        <Button size="small" startIcon={<AddIcon />} sx={{ flex: 'none' }} onClick={addSpot}>
          Add a spot
        </Button>
      </Stack>
      <Box sx={{ height: { xs: 340, md: 430 } }}>
        {fromAbove ? (
          <GroundEditor spot={spot} chosen={chosen} onChoose={setChosen} onMark={editMark} />
        ) : (
          <SpotEditor
            spot={spot}
            indoors={site.indoors}
            chosen={chosen}
            onChoose={setChosen}
            onMark={editMark}
            onOutline={(edit) => changeSpot((before) => ({ ...before, outline: edit(before.outline ?? []) }))}
          />
        )}
      </Box>
      <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', mt: 1 }}>
        <ViewToggle view={fromAbove ? 'above' : 'front'} onView={(view) => setFromAbove(view === 'above')} />
        {(Object.keys(listWords) as MarkList[]).map((list) => (
          <Button
            key={list}
            size="small"
            variant="outlined"
            startIcon={<AddIcon />}
            onClick={() => addMark(spot.id, list)}
          >
            {listWords[list].add}
          </Button>
        ))}
      </Stack>
    </Paper>
  );
}
