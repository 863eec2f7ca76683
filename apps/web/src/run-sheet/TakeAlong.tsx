import type { CrewMember } from '@early-lantern/contract';
import CalendarIcon from '@mui/icons-material/EventOutlined';
import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { useSavedFile } from '../job/saved-file.ts';

interface TakeAlongProps {
  jobId: string;
  crew: readonly CrewMember[];
}

/** The tasks for a calendar, one person's or everybody's, and as a table. */
export function TakeAlong({ jobId, crew }: TakeAlongProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const download = useSavedFile();
  const at = `/api/v1/jobs/${jobId}`;
  const files = [
    { label: 'Everybody, for a calendar', href: `${at}/calendar.ics` },
    ...crew.map(({ id, name }) => ({
      label: `${name}, for a calendar`,
      href: `${at}/calendar.ics?person=${encodeURIComponent(id)}`,
    })),
    { label: 'All tasks as a table (CSV)', href: `${at}/tasks.csv` },
  ];
  return (
    <>
      <Button
        variant="outlined"
        startIcon={<CalendarIcon />}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Download
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {files.map(({ label, href }) => (
          <MenuItem
            key={href}
            component="a"
            href={href}
            download
            onClick={(event) => {
              event.preventDefault();
              setAnchor(undefined);
              download(href);
            }}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
