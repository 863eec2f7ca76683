import { readForecast } from './read-forecast.ts';

const NOW = '2027-06-17T12:00:00.000Z';
const HEAD = 'at,temp_c,humidity_pct,cloud_pct,wind_ms,gust_ms,rain_mm';

test('a forecast comes as CSV or JSON, by column or by field', () => {
  const csv = readForecast(
    `${HEAD}\n2027-06-19T08:00Z,21.5,60,30,3,5.1,0\n2027-06-19T09:00Z,23,55,20,3,5,0\n`,
    NOW,
  );
  const hours = [
    {
      at: '2027-06-19T08:00:00.000Z',
      tempC: 21.5,
      humidityPct: 60,
      cloudPct: 30,
      windMs: 3,
      gustMs: 5.1,
      rainMm: 0,
    },
    {
      at: '2027-06-19T09:00:00.000Z',
      tempC: 23,
      humidityPct: 55,
      cloudPct: 20,
      windMs: 3,
      gustMs: 5,
      rainMm: 0,
    },
  ];
  expect(csv).toEqual({ forecast: { source: 'imported', madeAt: NOW, hours } });
  expect(readForecast(JSON.stringify({ hours }), NOW)).toEqual(csv);
  const named = hours.map(({ at, tempC, humidityPct, cloudPct, windMs, gustMs, rainMm }) => ({
    at,
    temp_c: tempC,
    humidity_pct: humidityPct,
    cloud_pct: cloudPct,
    wind_ms: windMs,
    gust_ms: gustMs,
    rain_mm: rainMm,
  }));
  expect(readForecast(JSON.stringify(named), NOW)).toEqual(csv);
});

test.each([
  ['a missing column', 'at,temp_c\n2027-06-19T08:00Z,20', 'humidity_pct'],
  ['a wrong figure', `${HEAD}\n2027-06-19T08:00Z,warm,60,30,3,5,0`, 'hours'],
  [
    'hours out of order',
    `${HEAD}\n2027-06-19T09:00Z,20,60,30,3,5,0\n2027-06-19T08:00Z,20,60,30,3,5,0`,
    'come after',
  ],
  ['broken JSON', '{"hours": [', 'sound JSON'],
  ['an empty list', '[]', 'hours'],
])('%s is refused and told', (_, text, told) => {
  const answer = readForecast(text, NOW);
  expect('fault' in answer && answer.fault).toContain(told);
});
