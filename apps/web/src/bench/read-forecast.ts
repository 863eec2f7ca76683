import { Forecast, read } from '@early-lantern/contract';
import { GUST_FACTOR } from '@early-lantern/core';
import Papa from 'papaparse';

/** Column of a file and the hour's field it fills. */
const columns: Record<string, string> = {
  at: 'at',
  temp_c: 'tempC',
  humidity_pct: 'humidityPct',
  cloud_pct: 'cloudPct',
  wind_ms: 'windMs',
  gust_ms: 'gustMs',
  rain_mm: 'rainMm',
};

/**
 * A forecast from a file: CSV with a line for each hour and the columns above, or JSON, a list of such hours by column
 * or by field. Where it has no gusts, the mean wind times the gust factor of open ground.
 * @param madeAt the moment it is imported, ISO 8601
 */
export function readForecast(text: string, madeAt: string): { forecast: Forecast } | { fault: string } {
  const rows = rowsOf(text);
  if (typeof rows === 'string') return { fault: rows };
  const hours = rows.map((row) => {
    const hour = Object.fromEntries(
      Object.entries(columns).map(([column, field]) => {
        const value = row[column] ?? row[field];
        return [field, field === 'at' ? asInstant(value) : asNumber(value)];
      }),
    );
    const isWithout = hour.gustMs === undefined || hour.gustMs === '';
    return isWithout && typeof hour.windMs === 'number'
      ? { ...hour, gustMs: Number((hour.windMs * GUST_FACTOR.open).toFixed(2)) }
      : hour;
  });
  const checked = read(Forecast, { source: 'imported', madeAt, hours });
  if (checked.ok) return { forecast: checked.data };
  const [first] = checked.faults;
  const more = checked.faults.length > 1 ? ` (and ${checked.faults.length - 1} more)` : '';
  return { fault: `${first?.path ?? ''}: ${first?.reason ?? 'not a forecast'}${more}.` };
}

type Row = Record<string, unknown>;

function rowsOf(text: string): Row[] | string {
  const trimmed = text.trim();
  if (trimmed.startsWith('[') || trimmed.startsWith('{')) {
    try {
      const parsed = JSON.parse(trimmed) as Row[] | { hours?: Row[] };
      const list = Array.isArray(parsed) ? parsed : parsed.hours;
      return Array.isArray(list) ? list : 'the file has no list of hours.';
    } catch {
      return 'the file is no sound JSON.';
    }
  }
  const { data, errors, meta } = Papa.parse<Row>(trimmed, { header: true, skipEmptyLines: true });
  const missing = Object.keys(columns).filter(
    (column) => column !== 'gust_ms' && !meta.fields?.includes(column),
  );
  if (missing.length) return `the first line must name the columns ${missing.join(', ')}.`;
  const [error] = errors;
  return error ? `line ${(error.row ?? 0) + 2}: ${error.message}.` : data;
}

const asNumber = (value: unknown) => (typeof value === 'string' && value.trim() ? Number(value) : value);

/** `2027-06-19T08:00Z` and the like in the form that is kept. */
function asInstant(value: unknown): unknown {
  const ms = typeof value === 'string' ? Date.parse(value) : Number.NaN;
  return Number.isNaN(ms) ? value : new Date(ms).toISOString();
}
