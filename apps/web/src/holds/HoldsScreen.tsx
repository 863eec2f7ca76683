import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { TabbedViews } from '../parts/TabbedViews.tsx';
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
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing hangs or stands yet">
        Add the first piece under Pieces; what carries it is worked out as you draw.
      </EmptyState>
    );
  }
  return <TabbedViews name="holds" label="What holds" views={views} />;
}
