import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { TabbedViews } from '../parts/TabbedViews.tsx';
import { DoorsView } from './DoorsView.tsx';
import { PackingView } from './PackingView.tsx';
import { VehiclesView } from './VehiclesView.tsx';

const views = [
  { id: 'vehicles', label: 'Vehicles', View: VehiclesView },
  { id: 'list', label: 'Packing list', View: PackingView },
  { id: 'doors', label: 'Doors and sections', View: DoorsView },
] as const;

/** What goes in which bag and vehicle, in which order; and the list to tick before it leaves. */
export function LoadScreen() {
  const { planned } = useJob();
  if (!planned) return null;
  if (planned.plan.pieces.length === 0) {
    return (
      <EmptyState title="Nothing to load yet">
        Add the first piece under Pieces; its bags and gear stand here as you draw.
      </EmptyState>
    );
  }
  return <TabbedViews name="load" label="The load" views={views} />;
}
