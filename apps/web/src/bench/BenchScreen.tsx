import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { TabbedViews } from '../parts/TabbedViews.tsx';
import { BoardView } from './BoardView.tsx';
import { LastingView } from './LastingView.tsx';

const views = [
  { id: 'board', label: 'Inflation board', View: BoardView },
  { id: 'lasting', label: 'How long it lasts', View: LastingView },
] as const;

/** What is blown when, by whom and to what; and what becomes of it until the event is over. */
export function BenchScreen() {
  const { planned } = useJob();
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing to blow yet">
        Add the first piece under Pieces; its batches stand here as you draw.
      </EmptyState>
    );
  }
  return <TabbedViews name="bench" label="The bench" views={views} />;
}
