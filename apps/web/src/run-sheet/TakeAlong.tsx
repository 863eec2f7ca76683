import type { CrewMember } from '@early-lantern/contract';
import CalendarIcon from '@mui/icons-material/EventOutlined';
import { DownloadMenu } from '../job/DownloadMenu.tsx';

interface TakeAlongProps {
  jobId: string;
  crew: readonly CrewMember[];
}

/** The tasks for a calendar, one person's or everybody's, and as a table. */
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
      ]}
    />
  );
}
