import type { BenchBatch } from '@early-lantern/contract';
import { blownKey, nameIn, namesFor, sizeName } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { clockTime, spanText } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import { BatchBoard } from './BatchBoard.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { SiteBanner } from './SiteBanner.tsx';
import { INK, ON_INK } from './SiteHeader.tsx';
import { useStayAwake } from './stay-awake.ts';
import { useDay } from './use-day.ts';
import { type SiteLogHere, useSiteLog } from './use-log.ts';
import { useSeconds } from './use-seconds.ts';
import { WithTakenJob } from './WithTakenJob.tsx';

/** A job's bench on a tablet that hangs in the workshop: who is at which inflator, and how much of each lot is blown. */
export const BoardScreen = () => (
  <WithTakenJob>{(taken) => <Board key={taken.file.job.id} original={taken} />}</WithTakenJob>
);

function Board({ original }: { original: TakenJob }) {
  const log = useSiteLog(original.file.job.id);
  const { taken } = useDay(original, log);
  const { file, plan } = taken;
  useStayAwake();
  const { batches } = plan.bench;
  const total = batches.reduce((sum, batch) => sum + countOf(batch), 0);
  const blown = batches.reduce((sum, batch) => sum + blownOf(batch, log), 0);
  return (
    <Box sx={{ minHeight: '100vh' }}>
      <Box
        component="header"
        sx={{
          bgcolor: INK,
          color: ON_INK,
          px: 3,
          py: 1.5,
          display: 'flex',
          gap: 3,
          alignItems: 'center',
          flexWrap: 'wrap',
        }}
      >
        <Box sx={{ flex: 1, minWidth: 240 }}>
          <Typography
            component={Link}
            to={`/on-site/${file.job.id}`}
            sx={{ color: 'inherit', fontSize: '1.125rem', display: 'inline-block', py: 1.5 }}
          >
            {file.job.name}
          </Typography>
          <Typography variant="h1" sx={{ fontSize: '1.875rem' }}>
            Bench board
          </Typography>
        </Box>
        <Typography
          data-testid="blown"
          sx={{ fontFamily: headFont, fontWeight: 700, fontSize: '3rem', lineHeight: 1 }}
        >
          {blown} of {total}
        </Typography>
      </Box>
      <SiteBanner readAt={original.readAt} log={log} />
      <Box component="main" sx={{ p: 2, display: 'grid', gap: 2 }}>
        <Inflators taken={taken} log={log} />
        {batches.length === 0 && (
          <Typography sx={{ fontSize: '1.25rem' }}>
            No batch has an hour yet. The lead sets this right under Clock.
          </Typography>
        )}
        <Box
          sx={{
            display: 'grid',
            gap: 2,
            gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 380px), 1fr))',
          }}
        >
          {[...batches]
            .sort((one, other) => Number(isOver(one, log)) - Number(isOver(other, log)))
            .map((batch) => (
              <BatchBoard key={batch.id} batch={batch} taken={taken} log={log} />
            ))}
        </Box>
      </Box>
    </Box>
  );
}

const isOver = ({ id }: BenchBatch, { happened }: SiteLogHere): boolean =>
  happened.tasks.get(id)?.state === 'done';

const countOf = ({ lots }: BenchBatch): number => lots.reduce((sum, { count }) => sum + count, 0);

/** Of a batch that is ticked all are blown, whether anybody counted them or not. */
const blownOf = (batch: BenchBatch, log: SiteLogHere): number =>
  isOver(batch, log)
    ? countOf(batch)
    : batch.lots.reduce(
        (sum, { id, count }) => sum + Math.min(count, log.happened.blown.get(blownKey(batch.id, id)) ?? 0),
        0,
      );

/** Each inflator with whoever is at it, and since when. */
function Inflators({ taken: { file, plan }, log }: { taken: TakenJob; log: SiteLogHere }) {
  const now = useSeconds(log.nowMs);
  const { batches } = plan.bench;
  const names = namesFor(file);
  return (
    <Box
      component="section"
      aria-label="Who is at which inflator"
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 300px), 1fr))',
        '&:empty': { display: 'none' },
      }}
    >
      {[...new Set(batches.flatMap(({ gear }) => gear))].map((gear) => {
        const own = batches.filter((batch) => batch.gear.includes(gear));
        const going = own.find(({ id }) => log.happened.tasks.get(id)?.state === 'going');
        const next = own.find((batch) => !isOver(batch, log));
        const people = (going && log.happened.tasks.get(going.id)?.spells) ?? [];
        const there = people.filter(({ untilMs }) => untilMs === null);
        const since = there[0] ? `, for ${spanText((now - there[0].fromMs) / 60_000)}` : '';
        return (
          <Box key={gear} sx={{ border: 2, borderColor: 'text.primary', borderRadius: 2, p: 2 }}>
            <Typography sx={{ fontSize: '1.125rem', color: 'text.secondary' }}>
              {nameIn(gear, names)}
            </Typography>
            <Typography sx={{ fontSize: '1.75rem', fontWeight: 700, lineHeight: 1.2 }}>
              {there.map(({ person }) => nameIn(person, names)).join(', ') || 'Nobody'}
            </Typography>
            <Typography sx={{ fontSize: '1.25rem' }}>
              {going
                ? `${sizeName(going.nominalIn)}${since}`
                : next
                  ? `next ${sizeName(next.nominalIn)}, ${clockTime(next.start, plan.timeZone)}`
                  : 'all blown'}
            </Typography>
          </Box>
        );
      })}
    </Box>
  );
}
