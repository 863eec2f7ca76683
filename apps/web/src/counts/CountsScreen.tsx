import { Box, Tab, Tabs } from '@mui/material';
import { useSearchParams } from 'react-router';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { BalloonsView } from './BalloonsView.tsx';
import { BuyView } from './BuyView.tsx';
import { CardsView } from './CardsView.tsx';
import { DayView } from './DayView.tsx';
import { LotsView } from './LotsView.tsx';
import { MaterialsView } from './MaterialsView.tsx';

const views = [
  { id: 'balloons', label: 'Balloons', View: BalloonsView },
  { id: 'lots', label: 'Lots and labels', View: LotsView },
  { id: 'materials', label: 'Materials', View: MaterialsView },
  { id: 'buy', label: 'To buy', View: BuyView },
  { id: 'cards', label: 'Pattern cards', View: CardsView },
  { id: 'day', label: 'The whole day', View: DayView },
] as const;

/** Everything that is counted, and what follows from it: lots, materials, what to buy, cards for the crew. */
export function CountsScreen() {
  const { planned } = useJob();
  const [search, setSearch] = useSearchParams();
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing to count yet">
        Add the first piece under Pieces; its balloons are counted as you draw.
      </EmptyState>
    );
  }
  const chosen = views.find((view) => view.id === search.get('view')) ?? views[0];
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 3 }}>
      <Tabs
        value={chosen.id}
        onChange={(_, id: string) => setSearch({ view: id }, { replace: true })}
        variant="scrollable"
        scrollButtons={false}
        aria-label="What is counted"
        sx={{ mb: 2, minHeight: 40, '& .MuiTab-root': { minHeight: 40, py: 0.5, px: 1.5 } }}
      >
        {views.map(({ id, label }) => (
          <Tab key={id} value={id} label={label} id={`counts-${id}`} aria-controls="counts-view" />
        ))}
      </Tabs>
      <Box role="tabpanel" id="counts-view" aria-labelledby={`counts-${chosen.id}`}>
        <chosen.View />
      </Box>
    </Box>
  );
}
