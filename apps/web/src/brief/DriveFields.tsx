import type { Drive, JobHead, Site, Workshop } from '@early-lantern/contract';
import { Box, Button, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { call } from '../api/client.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { useNotice } from '../parts/notices.tsx';

export type Drives = NonNullable<JobHead['drives']>;

const runs: { key: keyof Drives; label: string }[] = [
  { key: 'out', label: 'Out, min' },
  { key: 'home', label: 'Home, min' },
  { key: 'strike', label: 'To the strike, min' },
  { key: 'back', label: 'Back, min' },
];

interface DriveFieldsProps {
  head: JobHead;
  site: Site;
  workshop: Workshop;
  onChange: (drives: Drives | undefined) => void;
}

/** How long each drive of a job takes at its hour: typed, or asked for. */
export function DriveFields({ head, site, workshop, onChange }: DriveFieldsProps) {
  const notify = useNotice();
  const ask = () =>
    askedDrives(head, site, workshop.timeZone)
      .then(onChange)
      .catch((error: Error) => notify({ text: `The drives are not known. ${error.message}` }));
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
        {runs.map(({ key, label }) => (
          <CommitField
            key={key}
            label={label}
            value={head.drives?.[key] === undefined ? '' : String(head.drives[key])}
            placeholder={`${site.driveMin}, as surveyed`}
            slotProps={{ inputLabel: { shrink: true } }}
            onCommit={(text) => {
              if (text.trim() === '') {
                const { [key]: _, ...rest } = head.drives ?? {};
                return void onChange(Object.keys(rest).length > 0 ? rest : undefined);
              }
              return wholeNumber(text, 0, 720, (minutes) => onChange({ ...head.drives, [key]: minutes }));
            }}
          />
        ))}
      </Box>
      <Box>
        <Button
          size="small"
          variant="outlined"
          disabled={!site.at || !workshop.at}
          onClick={() => void ask()}
        >
          Get drive times
        </Button>
        {(!site.at || !workshop.at) && (
          <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 0.5 }}>
            Say where {workshop.at ? 'the site' : 'the workshop'} is, and the drives can be asked for.
          </Typography>
        )}
      </Box>
    </>
  );
}

/** Each drive at the hour at which it begins. @throws what the server says where the roads are not known */
async function askedDrives(head: JobHead, site: Site, zone: string): Promise<Drives> {
  const before = (iso: string) => DateTime.fromISO(iso, { zone }).minus({ minutes: site.driveMin });
  const moments: Record<keyof Drives, DateTime> = {
    out: before(head.access.from),
    home: DateTime.fromISO(head.doors, { zone }),
    strike: before(head.strike.from),
    back: DateTime.fromISO(head.strike.until, { zone }),
  };
  const found = await Promise.all(
    runs.map(async ({ key }) => {
      const at = moments[key].toISO({ suppressMilliseconds: true }) as string;
      const { minutes } = await call<Drive>('GET', `/sites/${site.id}/drive?at=${encodeURIComponent(at)}`);
      return [key, minutes] as const;
    }),
  );
  return Object.fromEntries(found);
}
