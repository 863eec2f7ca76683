import { Box } from '@mui/material';
import { useEffect } from 'react';
import { useJob } from '../job/context.ts';
import { dayName } from './time.ts';

/** What is printed meanwhile: the file that a browser makes of it has a name of its own. */
export function usePrintTitle(what: string): void {
  const { job, workshop } = useJob().file;
  const title = `${what}, ${job.name}, ${dayName(job.doors, workshop.timeZone)}`;
  useEffect(() => {
    let shown = document.title;
    const before = () => {
      shown = document.title;
      document.title = title;
    };
    const after = () => {
      document.title = shown;
    };
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, [title]);
}

/** On paper only: what it is, whose job, where and when. */
export function PrintHead({ what }: { what: string }) {
  const { job, site, workshop } = useJob().file;
  usePrintTitle(what);
  return (
    <Box className="print-only">
      <strong>{what}</strong> · {job.name} · {site.name} · {dayName(job.doors, workshop.timeZone)}
    </Box>
  );
}
