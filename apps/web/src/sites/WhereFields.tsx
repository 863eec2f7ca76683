import type { Drive, Site } from '@early-lantern/contract';
import { Button, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useRef, useState } from 'react';
import { call } from '../api/client.ts';
import { useSettings } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { asGeoJson, pointText, readGeoJson, readPoint } from '../parts/geo.ts';
import { useNotice } from '../parts/notices.tsx';
import { saveFile } from '../parts/save-file.ts';
import type { SiteChange } from './useSiteEdit.ts';

/** Hours the drive is asked for: before dawn, in the morning peak, in the evening peak. */
const HOURS = [6, 8, 17];

/** Where a place is, and how long the drive takes by the travel service. */
export function WhereFields({ site, change }: { site: Site; change: SiteChange }) {
  const settings = useSettings().data?.data;
  const notify = useNotice();
  const input = useRef<HTMLInputElement>(null);
  const [drives, setDrives] = useState<{ hour: number; drive: Drive }[]>();
  const set = (edit: Partial<Site>) => change(() => edit);
  const ask = async () => {
    const day = DateTime.now()
      .setZone(settings?.timeZone ?? 'UTC')
      .plus({ weeks: 1 })
      .startOf('week')
      .plus({ days: 2 });
    try {
      setDrives(
        await Promise.all(
          HOURS.map(async (hour) => {
            const at = day.set({ hour }).toISO({ suppressMilliseconds: true }) as string;
            return {
              hour,
              drive: await call<Drive>('GET', `/sites/${site.id}/drive?at=${encodeURIComponent(at)}`),
            };
          }),
        ),
      );
    } catch (error) {
      notify({ text: `The drive is not known. ${(error as Error).message}` });
    }
  };
  const read = async (file: File) => {
    try {
      const { at } = readGeoJson(await file.text());
      set({ at });
    } catch (error) {
      notify({ text: `${file.name} was not read, nothing was changed. ${(error as Error).message}` });
    }
  };
  return (
    <Stack spacing={1}>
      <CommitField
        label="Where: latitude, longitude"
        value={pointText(site.at)}
        onCommit={(text) => {
          const at = readPoint(text);
          if (!at) return 'Like 44.05, -91.64';
          set({ at });
          return undefined;
        }}
      />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button
          size="small"
          variant="outlined"
          disabled={!site.at || !settings?.at}
          onClick={() => void ask()}
        >
          Get drive times
        </Button>
        <Button size="small" onClick={() => input.current?.click()}>
          Read GeoJSON
        </Button>
        {site.at && (
          <Button
            size="small"
            onClick={() =>
              site.at && saveFile(asGeoJson(site.at, site.name), `${site.id}.geojson`, 'application/geo+json')
            }
          >
            Save GeoJSON
          </Button>
        )}
        <input
          ref={input}
          type="file"
          accept=".geojson,.json"
          hidden
          aria-label="GeoJSON of the place"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            if (chosen) void read(chosen);
          }}
        />
      </Stack>
      {!settings?.at && (
        <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
          Say in the Workshop where it is, and the drive can be asked for.
        </Typography>
      )}
      {drives?.map(({ hour, drive }) => (
        <Stack key={hour} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Typography sx={{ fontSize: 15 }}>
            At {String(hour).padStart(2, '0')}:00: {drive.minutes} min, {drive.km} km ({drive.source})
          </Typography>
          <Button size="small" onClick={() => set({ driveMin: drive.minutes })}>
            Take {drive.minutes} min
          </Button>
        </Stack>
      ))}
    </Stack>
  );
}
