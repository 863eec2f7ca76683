import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { TabbedViews } from '../parts/TabbedViews.tsx';
import { RehearsalView } from './RehearsalView.tsx';
import { TimetableView } from './TimetableView.tsx';

const views = [
  { id: 'timetable', label: 'Timetable', View: TimetableView },
  { id: 'rehearsal', label: 'Rehearsal', View: RehearsalView },
] as const;

/** The work counted back from doors, and how it comes out on days that do not go as planned. */
export function ClockScreen() {
  const { planned, file } = useJob();
  if (!planned) return null;
  const { plan } = planned;
  if (plan.tasks.length === 0) {
    return (
      <EmptyState title={file.job.pieces.length ? 'No plan meets the hours' : 'Nothing to time yet'}>
        {file.job.pieces.length
          ? plan.lamps.onTime.reason
          : 'Draw the first piece under Pieces; its work is timed as you draw.'}
      </EmptyState>
    );
  }
  return <TabbedViews name="clock" label="The clock" views={views} />;
}
