import { Box, Tab, Tabs } from '@mui/material';
import { useSearchParams } from 'react-router';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { CautionsView } from './CautionsView.tsx';
import { CutListView } from './CutListView.tsx';
import { FixingView } from './FixingView.tsx';
import './holds.css';

const views = [
  { id: 'fixing', label: 'Standing and fixing', View: FixingView },
  { id: 'cuts', label: 'Cut list', View: CutListView },
  { id: 'cautions', label: 'Cautions', View: CautionsView },
] as const;

/** What carries each piece, what it is weighted and fixed with, and at what gust it comes down. */
export function HoldsScreen() {
  const { planned } = useJob();
  const [search, setSearch] = useSearchParams();
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing hangs or stands yet">
        Add the first piece under Pieces; what carries it is worked out as you draw.
      </EmptyState>
    );
  }
  const chosen = views.find((view) => view.id === search.get('view')) ?? views[0];
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 3 }}>
      <Tabs
        className="no-print"
        value={chosen.id}
        onChange={(_, id: string) => setSearch({ view: id }, { replace: true })}
        variant="scrollable"
        scrollButtons={false}
        aria-label="What holds"
        sx={{ mb: 1.5, minHeight: 40, '& .MuiTab-root': { minHeight: 40, py: 0.5, px: 1.5 } }}
      >
        {views.map(({ id, label }) => (
          <Tab key={id} value={id} label={label} id={`holds-${id}`} aria-controls="holds-view" />
        ))}
      </Tabs>
      <Box role="tabpanel" id="holds-view" aria-labelledby={`holds-${chosen.id}`}>
        <chosen.View />
      </Box>
    </Box>
  );
}
