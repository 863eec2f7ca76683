import type { Forecast } from '@early-lantern/contract';
import { Alert, Box, Button, Paper, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useRef, useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { call } from '../api/client.ts';
import { useJob } from '../job/context.ts';
import { clockTime, dayName } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { readForecast } from './read-forecast.ts';

const HOUR_MS = 3_600_000;
/** Pre-inflated the day before, driven, and left until the strike is over. */
const BEFORE_MS = 36 * HOUR_MS;

/** The forecast looked at: imported from a file, or simulated; drawn from before access to the strike. */
export function WeatherCard() {
  const { store, document, file } = useJob();
  const { head } = document;
  const [fault, setFault] = useState<string>();
  const [isAsking, setAsking] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  const { weather } = head;

  const keep = (found: Forecast | undefined) =>
    store.change((before) => {
      const { weather: _, ...rest } = before.head;
      return { ...before, head: found ? { ...rest, weather: found } : rest };
    });
  const look = async () => {
    setAsking(true);
    setFault(undefined);
    try {
      const asked = new URLSearchParams({
        from: new Date(Date.parse(head.access.from) - BEFORE_MS).toISOString(),
        until: new Date(Date.parse(head.strike.until) + HOUR_MS).toISOString(),
        made: new Date().toISOString(),
      });
      keep(await call<Forecast>('GET', `/sites/${head.siteId}/forecast?${asked}`));
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'The forecast could not be asked for.');
    } finally {
      setAsking(false);
    }
  };
  const bringIn = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = readForecast(await chosen.text(), new Date().toISOString());
    setFault('fault' in read ? read.fault : undefined);
    if ('forecast' in read) keep(read.forecast);
  };

  return (
    <Paper
      variant="outlined"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
      component="section"
      aria-label="Weather"
    >
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h2" sx={{ flexGrow: 1 }}>
          The weather
        </Typography>
        <Button variant="outlined" disabled={isAsking} onClick={() => void look()}>
          {weather?.source === 'simulated' ? 'Simulate again' : 'Simulate the weather'}
        </Button>
        <Button variant={weather ? 'outlined' : 'contained'} onClick={() => picker.current?.click()}>
          Import a forecast
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,.json,text/csv,application/json"
          hidden
          aria-label="Forecast file"
          onChange={(event) => {
            void bringIn(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        {weather && <Button onClick={() => keep(undefined)}>Clear</Button>}
      </Stack>
      {fault && (
        <Alert severity="warning" onClose={() => setFault(undefined)}>
          Nothing was changed: {fault}
        </Alert>
      )}
      {weather ? (
        <WeatherPicture weather={weather} doors={head.doors} zone={file.workshop.timeZone} />
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>
          Not looked at yet. Outdoors, heat, sun and gusts are worked out from it; a file has a line for each
          hour with at, temp_c, humidity_pct, cloud_pct, wind_ms, gust_ms and rain_mm; without gust_ms, gusts
          are taken as 1.7 times the mean wind.
        </Typography>
      )}
    </Paper>
  );
}

interface WeatherPictureProps {
  weather: Forecast;
  doors: string;
  zone: string;
}

function WeatherPicture({ weather, doors, zone }: WeatherPictureProps) {
  const { temp, tempNumber, wind, windNumber, tempUnit, windUnit } = useUnits();
  const rows = weather.hours.map((hour) => ({
    at: Date.parse(hour.at),
    temp: Number(tempNumber(hour.tempC).toFixed(1)),
    gust: Number(windNumber(hour.gustMs).toFixed(1)),
  }));
  const hottest = weather.hours.reduce((a, b) => (b.tempC > a.tempC ? b : a));
  const gustiest = weather.hours.reduce((a, b) => (b.gustMs > a.gustMs ? b : a));
  const when = (iso: string) => `${dayName(iso, zone)} ${clockTime(iso, zone)}`;
  return (
    <Box>
      <Typography>
        Hottest <strong>{temp(hottest.tempC)}</strong>
        {hottest.tempSpreadC ? ` give or take ${tempSpread(hottest.tempSpreadC, tempUnit)}` : ''},{' '}
        {when(hottest.at)}; strongest gust <strong>{wind(gustiest.gustMs)}</strong>, {when(gustiest.at)}.
      </Typography>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        {weather.source === 'simulated'
          ? 'Simulated weather, only to plan with: import a real forecast before you rely on it'
          : 'Imported'}
        ; {when(weather.madeAt)}.
      </Typography>
      <Chart title={`Temperature, ${tempUnit}`} rows={rows} field="temp" doors={doors} zone={zone} />
      <Chart title={`Gusts, ${windUnit}`} rows={rows} field="gust" doors={doors} zone={zone} />
    </Box>
  );
}

const tempSpread = (kelvin: number, unit: string) =>
  unit === '°F' ? `${(kelvin * 1.8).toFixed(0)} °F` : `${kelvin.toFixed(0)} °C`;

interface ChartProps {
  title: string;
  rows: { at: number; temp: number; gust: number }[];
  field: 'temp' | 'gust';
  doors: string;
  zone: string;
}

function Chart({ title, rows, field, doors, zone }: ChartProps) {
  return (
    <Box sx={{ mt: 1 }}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>{title}</Typography>
      <Box sx={{ height: 130 }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            data={rows}
            margin={{ top: 8, right: 12, bottom: 0, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={rows
                .filter(({ at }) => DateTime.fromMillis(at, { zone }).hour % 6 === 0)
                .map(({ at }) => at)}
              tickFormatter={(at: number) => DateTime.fromMillis(at, { zone }).toFormat('ccc HH:mm')}
              tick={{ fontSize: 12, fill: 'var(--mui-palette-text-secondary)' }}
              stroke="var(--mui-palette-divider)"
              minTickGap={24}
            />
            <YAxis
              width={40}
              domain={['auto', 'auto']}
              tick={{ fontSize: 12, fill: 'var(--mui-palette-text-secondary)' }}
              stroke="var(--mui-palette-divider)"
            />
            <ReferenceLine
              x={Date.parse(doors)}
              stroke="var(--mui-palette-text-primary)"
              strokeDasharray="4 3"
              label={{
                value: 'doors',
                position: 'insideTopRight',
                fontSize: 12,
                fill: 'var(--mui-palette-text-primary)',
              }}
            />
            <Line
              type="monotone"
              dataKey={field}
              stroke="var(--mui-palette-text-primary)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </Box>
    </Box>
  );
}
