import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { TabbedViews } from '../parts/TabbedViews.tsx';
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
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing to count yet">
        Add the first piece under Pieces; its balloons are counted as you draw.
      </EmptyState>
    );
  }
  return <TabbedViews name="counts" label="What is counted" views={views} />;
}
