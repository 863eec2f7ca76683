import type { JobFile, Rehearsal } from '@early-lantern/contract';
import type { Clash, Culprit, DayPlan, WayOut } from '@early-lantern/core';
import { asWish, dayMoves, isDayWorthMoving, shortJobs } from '@early-lantern/core';
import { Alert, Box, Button, LinearProgress, Paper, Stack, Typography } from '@mui/material';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { LaneLegend } from '../parts/LaneLegend.tsx';
import { useNotice } from '../parts/notices.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { findClashes, findCulprits, findWays, planDay, rehearseDay } from '../workers/day.ts';
import { ClashList } from './ClashList.tsx';
import { DayJobs } from './DayJobs.tsx';
import { DayLanes, letterOf } from './DayLanes.tsx';
import { agree, applyWay, letGoOfDay } from './save-day.ts';
import { WaysOut } from './WaysOut.tsx';

/** Orders tried when the day is opened, and when somebody asks for a longer search. */
const AT_FIRST = 1_500;
const LONGER = 40_000;
/** Orders tried to repair a day that was agreed on. */
const REPAIR = 1_500;
/** Days gone through with the plan that was found. */
const DAYS = 2_000;

interface Search {
  plan?: DayPlan;
  tried?: number;
  /** Orders to be tried; undefined when it is over or was stopped. */
  of?: number;
}

/** The day's jobs as one: what clashes, the best plan found, ways out, and what was agreed. */
export function DayTogether({ files }: { files: readonly JobFile[] }) {
  const [clashes, setClashes] = useState<Clash[]>();
  const [search, setSearch] = useState<Search>({});
  const [culprits, setCulprits] = useState<Culprit[]>();
  const [ways, setWays] = useState<{ found: WayOut[]; done: number; of: number }>();
  const [rehearsed, setRehearsed] = useState<{ plan: DayPlan; outcomes: Rehearsal[] }>();
  const [failure, setFailure] = useState<Error>();
  // Every change of the jobs begins anew; an older search then stops at its next answer.
  const round = useRef(0);
  const tell = useNotice();
  const zone = files[0]?.workshop.timeZone ?? 'UTC';
  const agreedAt = files.every(({ job }) => job.clock?.agreed) ? files[0]?.job.clock?.agreed?.at : undefined;

  const newRound = () => {
    round.current += 1;
    const mine = round.current;
    return () => round.current === mine;
  };

  /** The plan's chances, once nobody looks for a better one. */
  const goThrough = async (found: DayPlan, isMine: () => boolean) => {
    const outcomes = await rehearseDay(files, found, DAYS);
    if (isMine()) setRehearsed(outcomes ? { plan: found, outcomes } : undefined);
  };

  const look = async (orders: number) => {
    const isMine = newRound();
    // What was agreed is where the search begins and what it stays near to, but no law.
    const free = files.map(asWish);
    setSearch((before) => ({ ...before, of: orders }));
    const search = async (from: readonly JobFile[], orders: number) => {
      let last: DayPlan | undefined;
      await planDay(from, orders, (tried, better) => {
        if (!isMine()) return false;
        if (better) last = better;
        setSearch((before) => ({ ...before, ...(better ? { plan: better } : {}), tried, of: orders }));
        return true;
      });
      return last;
    };
    // A day that was agreed on stands as it is, unless it cannot: then it is repaired.
    let last = await search(agreedAt ? files : free, orders);
    if (isMine() && agreedAt && last && shortJobs(files, last).length > 0) {
      const better = await search(free, REPAIR);
      if (better && isDayWorthMoving(files, better, last)) last = better;
    }
    if (!isMine()) return;
    setSearch(last ? { plan: last, tried: last.tried } : {});
    if (last) await goThrough(last, isMine);
    if (!isMine()) return;
    if (!last?.jobs.some(({ broken }) => broken.length > 0)) {
      setCulprits([]);
      return;
    }
    const found = await findCulprits(free);
    if (!isMine()) return;
    setCulprits(found);
    await findWays(free, found, (done, of, way) => {
      if (!isMine()) return false;
      setWays((before) => ({
        found: way ? [...(before?.found ?? []), way] : (before?.found ?? []),
        done,
        of,
      }));
      return true;
    });
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: begins anew when the jobs change, and only then
  useEffect(() => {
    setClashes(undefined);
    setCulprits(undefined);
    setWays(undefined);
    setSearch({});
    void findClashes(files).then(setClashes, setFailure);
    look(agreedAt ? 20 : AT_FIRST).catch(setFailure);
    return () => {
      round.current += 1;
    };
  }, [files]);

  if (failure) throw failure;
  const stop = () => {
    const isMine = newRound();
    if (search.plan) goThrough(search.plan, isMine).catch(setFailure);
    setSearch(({ of: _, ...found }) => found);
    setCulprits((before) => before ?? []);
  };
  const save = async (what: Promise<() => Promise<void>>, text: string) => {
    try {
      const undo = await what;
      tell({ text, undo: () => void undo() });
    } catch (error) {
      tell({ text: (error as Error).message });
    }
  };
  const { plan, of, tried = 0 } = search;
  // The lanes are drawn when there is nothing more urgent: what is typed and pressed goes first.
  const drawn = useDeferredValue(plan);
  const isKept = plan?.jobs.every(({ broken }) => broken.length === 0) ?? false;
  const moves =
    agreedAt && plan && of === undefined ? dayMoves(files, plan).filter(({ words }) => words) : [];
  const use = () =>
    plan && void save(agree(plan.jobs, new Date().toISOString()), 'Every job now uses this plan.');
  return (
    <Stack spacing={2}>
      {agreedAt ? (
        <Alert
          severity={moves.length > 0 || (plan && !isKept) ? 'warning' : 'success'}
          variant="outlined"
          icon={false}
          action={
            <Button
              color="inherit"
              onClick={() => void save(letGoOfDay(files), 'The jobs are planned by themselves again.')}
            >
              Stop using it
            </Button>
          }
        >
          In use since {dayName(agreedAt, zone)}, {clockTime(agreedAt, zone)}
          {moves.length > 0 ? (
            <>
              , but it no longer fits. Repaired below:
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {moves.map(({ jobId, name, words }) => (
                  <li key={jobId}>
                    {name}: {words}
                  </li>
                ))}
              </Box>
            </>
          ) : plan && !isKept ? (
            ', but it no longer fits.'
          ) : (
            ': every job keeps to this plan.'
          )}
        </Alert>
      ) : (
        clashes && <ClashList clashes={clashes} files={files} />
      )}
      <Paper
        variant="outlined"
        component="section"
        aria-label="The day together"
        sx={{ p: { xs: 1.5, sm: 2 } }}
      >
        <Stack direction="row" sx={{ alignItems: 'center', gap: 2, flexWrap: 'wrap', mb: 1 }}>
          <Typography variant="h2" sx={{ flexGrow: 1 }}>
            {agreedAt ? 'The plan agreed on' : 'Planned together'}
          </Typography>
          {of !== undefined ? (
            <>
              <Box sx={{ width: 220 }}>
                <LinearProgress
                  variant="determinate"
                  value={Math.min(100, (tried / of) * 100)}
                  aria-label="Plans tried"
                />
              </Box>
              <Typography sx={{ fontSize: 14 }} data-testid="orders-tried">
                {tried.toLocaleString('en')} plans tried
              </Typography>
              {/* Before the first plan there is nothing to keep, and nothing to go on from. */}
              <Button onClick={stop} disabled={!plan}>
                Stop here
              </Button>
            </>
          ) : (
            plan && (
              <>
                <Typography sx={{ fontSize: 14, color: 'text.secondary' }} data-testid="orders-tried">
                  {tried.toLocaleString('en')} plans tried
                </Typography>
                {!agreedAt && (
                  <Button onClick={() => void look(LONGER).catch(setFailure)}>Search longer</Button>
                )}
                {(!agreedAt || moves.length > 0) && (
                  <Button variant="contained" disabled={!isKept} onClick={use}>
                    {agreedAt ? 'Use the repaired plan' : 'Use this plan'}
                  </Button>
                )}
              </>
            )
          )}
        </Stack>
        {plan && (
          <DayJobs
            plan={plan}
            files={files}
            outcomes={rehearsed?.plan === plan ? rehearsed.outcomes : undefined}
          />
        )}
      </Paper>
      {plan && culprits && culprits.length > 0 && (
        <WaysOut
          culprits={culprits}
          files={files}
          ways={ways}
          now={plan}
          onApply={(way) => void save(applyWay(files, way), `Applied: ${way.label}`)}
        />
      )}
      {drawn?.jobs.some(({ tasks }) => tasks.length > 0) && (
        <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 }, overflowX: 'auto' }}>
          <DayLanes plan={drawn} files={files} />
          <LaneLegend>
            {drawn.jobs.map(({ jobId, name }, i) => (
              <span key={jobId}>
                <strong>{letterOf(i)}</strong> {name}
              </span>
            ))}
          </LaneLegend>
        </Paper>
      )}
    </Stack>
  );
}
