import type { CrewMember } from '@early-lantern/contract';
import CalendarIcon from '@mui/icons-material/EventOutlined';
import { DownloadMenu } from '../job/DownloadMenu.tsx';

interface TakeAlongProps {
  jobId: string;
  crew: readonly CrewMember[];
}

/** The tasks for a calendar, as a table and to be read aloud; and what came of them in the end. */
export function TakeAlong({ jobId, crew }: TakeAlongProps) {
  const at = `/api/v1/jobs/${jobId}`;
  return (
    <DownloadMenu
      icon={<CalendarIcon />}
      files={[
        { label: 'Everybody, for a calendar', href: `${at}/calendar.ics` },
        ...crew.map(({ id, name }) => ({
          label: `${name}, for a calendar`,
          href: `${at}/calendar.ics?person=${encodeURIComponent(id)}`,
        })),
        { label: 'All tasks as a table (CSV)', href: `${at}/tasks.csv` },
        { label: 'To read over the telephone (text)', href: `${at}/run-sheet.txt` },
        { label: 'What came of it: tasks (CSV)', href: `${at}/record/tasks/csv` },
        { label: 'What came of it: pieces (CSV)', href: `${at}/record/pieces/csv` },
        { label: 'What came of it: balloons popped (CSV)', href: `${at}/record/pops/csv` },
        { label: 'What came of it: balloons kept (CSV)', href: `${at}/record/kept/csv` },
        { label: 'All that was written on site (CSV)', href: `${at}/record/log/csv` },
      ]}
    />
  );
}
