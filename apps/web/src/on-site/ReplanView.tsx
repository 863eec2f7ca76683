import type { CrewMember, PackingRow, SiteEvent, Task } from '@early-lantern/contract';
import {
  type GearChange,
  type HandsChange,
  leaveOuts,
  nameIn,
  namesFor,
  replanEvent,
  replanned,
} from '@early-lantern/core';
import { Alert, Box, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useMemo, useState } from 'react';
import { useNotice } from '../parts/notices.tsx';
import { clockTime, spanText } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import { ChoiceSheet } from './ChoiceSheet.tsx';
import { readyWords } from './ready-words.ts';
import { aboutWords, taskWords } from './task-words.ts';
import type { SiteDay } from './use-day.ts';
import type { SiteLogHere } from './use-log.ts';
import { crewOf } from './use-who.ts';

/** So many tasks are told of each change of hands. */
const TOLD = 4;
/** The house lets the crew in so many minutes from now. */
const ACCESS_MIN = [0, 15, 30, 45, 60, 90];
/** It is believed to rain for so long from now. */
const RAIN_MIN = [15, 30, 45, 60, 90, 120, 180];

interface ReplanViewProps {
  who: CrewMember;
  day: SiteDay;
  log: SiteLogHere;
  onBack: () => void;
}

/** The rest of the day planned anew from what is so now: who does what otherwise, and what may be left out. The lead decides. */
export function ReplanView({ who, day, log, onBack }: ReplanViewProps) {
  const { taken, now, projection } = day;
  const { file } = taken;
  const plan = day.whole;
  const notify = useNotice();
  const zone = plan.timeZone;
  const [sheet, setSheet] = useState<'absent' | 'gear' | 'bag' | 'access' | 'rain'>();
  const [out, setOut] = useState<readonly string[]>(() => [...now.facts.leftOut]);
  const anew = useMemo(
    () => replanned({ ...now, plan: day.whole, facts: { ...now.facts, leftOut: new Set(out) } }),
    [now, day.whole, out],
  );
  // What was left out before may come back, as long as there is time.
  const choices = useMemo(
    () => leaveOuts({ ...now, plan: day.whole, facts: { ...now.facts, leftOut: new Set() } }),
    [now, day.whole],
  );
  const names = namesFor(file);
  const first = (id: string) => nameIn(id, names).split(' ')[0];
  const say = (event: SiteEvent) => {
    void log.write(who.id, event);
    setSheet(undefined);
  };
  const use = () => {
    const before = log.happened.replanned;
    void log.write(who.id, replanEvent(anew, log.happened, out), before ? [before.id] : []);
    notify({ text: 'Everybody’s phone follows this plan now.' });
    onBack();
  };
  const gear = [...new Set(plan.tasks.flatMap((task) => task.gear))];
  const bags = Map.groupBy(
    plan.packing.filter(({ bag }) => bag !== null),
    ({ bag }) => bag as string,
  );
  const here = crewOf(file).filter(({ id }) => !now.facts.absent.has(id));
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Re-plan from now
      </Typography>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        As it goes now: <strong>{readyWords(projection, zone)}</strong>
      </Typography>
      <Box component="section" aria-label="What is different" sx={{ display: 'grid', gap: 1 }}>
        <Typography variant="h2">What is different?</Typography>
        <BigButton onClick={() => setSheet('absent')}>Somebody is missing</BigButton>
        <BigButton onClick={() => setSheet('access')}>The house lets us in late</BigButton>
        <BigButton onClick={() => setSheet('gear')}>Gear is missing or broken</BigButton>
        {bags.size > 0 && <BigButton onClick={() => setSheet('bag')}>A bag or crate is lost</BigButton>}
        {!file.site.indoors && <BigButton onClick={() => setSheet('rain')}>It rains</BigButton>}
        {now.facts.rainMs > log.nowMs() &&
          log.happened.rain
            .slice(-1)
            .map(({ id, event }) => (
              <Fact
                key={id}
                text={`Rain until ${clockTime(event.until, zone)}: nothing is put up before`}
                back="It is dry"
                onBack={() => takeBack(id)}
              />
            ))}
        {log.happened.absent.map(({ id, event }) => (
          <Fact
            key={id}
            text={`${first(event.person)} is missing`}
            back="Is here now"
            onBack={() => takeBack(id)}
          />
        ))}
        {log.happened.lateAccess.slice(-1).map(({ id, event }) => (
          <Fact
            key={id}
            text={`The house opens at ${clockTime(event.from, zone)}`}
            back="As planned"
            onBack={() => takeBack(id)}
          />
        ))}
        {log.happened.goneGear.map(({ id, event }) => (
          <Fact
            key={id}
            text={`${nameIn(event.gear, names)} is not here`}
            back="Is here now"
            onBack={() => takeBack(id)}
          />
        ))}
        {log.happened.goneBags.map(({ id, event }) => (
          <Fact
            key={id}
            text={`Lost: ${bagWords(event.bag, bags.get(event.bag))}`}
            back="Is here now"
            onBack={() => takeBack(id)}
          />
        ))}
      </Box>
      <Box component="section" aria-label="The new plan" sx={{ display: 'grid', gap: 1 }}>
        <Typography variant="h2">The new plan</Typography>
        <Typography sx={{ fontSize: '1.375rem', fontWeight: 700 }} data-testid="replanned-ready">
          {readyWords(anew, zone)}
        </Typography>
        {anew.impossible.slice(0, 3).map(({ task, why }) => (
          <Alert
            key={task.id}
            severity="error"
            icon={false}
            variant="outlined"
            sx={{ fontSize: '1.0625rem' }}
          >
            {taskWords(task, plan)} ({aboutWords(task, plan)}): {named(why)}
          </Alert>
        ))}
        {anew.changes.length === 0 && (
          <Typography sx={{ fontSize: '1.0625rem' }}>Everybody keeps the tasks they had.</Typography>
        )}
        {[...Map.groupBy(anew.gearChanges, gearWords)].map(([words, changes]) => (
          <Typography key={words} sx={{ fontSize: '1.0625rem' }}>
            <strong>{words}:</strong> {listOf(changes.map(({ task }) => task))}
          </Typography>
        ))}
        {anew.needTwo.length > 0 && (
          <Alert severity="error" icon={false} variant="outlined" sx={{ fontSize: '1.0625rem' }}>
            Not alone, on a ladder or with heavy bases: {listOf(anew.needTwo)}. Get a second person, or wait.
          </Alert>
        )}
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: '1.0625rem' }}>
          {[...Map.groupBy(anew.changes, handsWords)].map(([words, changes]) => (
            <li key={words}>
              <strong>{words}:</strong> {listOf(changes.map(({ task }) => task))}
            </li>
          ))}
        </Box>
      </Box>
      {choices.length > 0 && (
        <Box component="section" aria-label="Leave out" sx={{ display: 'grid', gap: 0.5 }}>
          <Typography variant="h2">Leave out, the least seen first</Typography>
          {choices.map(({ task, gainMin, effect }) => (
            <FormControlLabel
              key={task.id}
              sx={{ minHeight: 56, m: 0, alignItems: 'center' }}
              control={
                <Checkbox
                  sx={{ width: 48, height: 48, flex: 'none' }}
                  checked={out.includes(task.id)}
                  onChange={(_, isOut) =>
                    setOut(isOut ? [...out, task.id] : out.filter((id) => id !== task.id))
                  }
                />
              }
              label={
                <Typography component="span" sx={{ fontSize: '1.0625rem' }}>
                  {taskWords(task, plan)} ({aboutWords(task, plan)})
                  <Typography component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                    ready {spanText(gainMin)} earlier · {effect}
                  </Typography>
                </Typography>
              }
            />
          ))}
        </Box>
      )}
      <BigButton variant="contained" onClick={use}>
        Use this plan
      </BigButton>
      <BigButton onClick={onBack}>Go back</BigButton>
      {sheet === 'absent' && (
        <ChoiceSheet
          title="Who is missing?"
          choices={here.map(({ id, name }) => ({ id, label: name }))}
          onChoose={(person) => say({ kind: 'absent', person })}
          onClose={() => setSheet(undefined)}
        />
      )}
      {sheet === 'gear' && (
        <ChoiceSheet
          title="Which one?"
          choices={gear.map((id) => ({ id, label: nameIn(id, names) }))}
          onChoose={(id) => say({ kind: 'gear-gone', gear: id })}
          onClose={() => setSheet(undefined)}
        />
      )}
      {sheet === 'bag' && (
        <ChoiceSheet
          title="Which one is lost?"
          choices={[...bags].map(([id, rows]) => ({ id, label: bagWords(id, rows) }))}
          onChoose={(bag) => say({ kind: 'bag-gone', bag })}
          onClose={() => setSheet(undefined)}
        />
      )}
      {sheet === 'rain' && (
        <ChoiceSheet
          title="How long will it rain?"
          choices={RAIN_MIN.map((minutes) => ({
            id: String(minutes),
            label: `${spanText(minutes)}, until ${clockAfter(log.nowMs(), minutes, zone)}`,
          }))}
          onChoose={(minutes) =>
            say({ kind: 'rain', until: new Date(log.nowMs() + Number(minutes) * 60_000).toISOString() })
          }
          onClose={() => setSheet(undefined)}
        />
      )}
      {sheet === 'access' && (
        <ChoiceSheet
          title="When does the house let you in?"
          choices={ACCESS_MIN.map((minutes) => ({
            id: String(minutes),
            label: minutes === 0 ? 'Now' : `In ${minutes} min, ${clockAfter(log.nowMs(), minutes, zone)}`,
          }))}
          onChoose={(minutes) =>
            say({
              kind: 'access-late',
              from: new Date(log.nowMs() + Number(minutes) * 60_000).toISOString(),
            })
          }
          onClose={() => setSheet(undefined)}
        />
      )}
    </Box>
  );

  function takeBack(id: string): void {
    void log.write(who.id, { kind: 'taken-back' }, [id]);
  }
  function handsWords({ from, to }: HandsChange): string {
    return `${to.map(first).join(' and ') || 'nobody'} instead of ${from.map(first).join(' and ')}`;
  }
  function gearWords({ from, to }: GearChange): string {
    const all = (ids: readonly string[]) => ids.map((id) => nameIn(id, names)).join(' and ');
    return `${all(to)} instead of ${all(from)}`;
  }
  function listOf(tasks: readonly Task[]): string {
    const told = tasks.slice(0, TOLD).map((task) => `${taskWords(task, plan)} (${aboutWords(task, plan)})`);
    return `${told.join('; ')}${tasks.length > TOLD ? ` and ${tasks.length - TOLD} more` : ''}`;
  }
  /** The reason with names in the place of ids. */
  function named(why: string): string {
    return why.replace(/"([^"]+)"/, (_, id: string) => nameIn(id, names));
  }
}

/** So many things of a crate are named. */
const NAMED = 2;

/** A bag of balloons by its label; a crate with what is in it. */
function bagWords(bag: string, rows: readonly PackingRow[] = []): string {
  const own = rows.find(({ id }) => id === `bag ${bag}`);
  if (own) return own.label;
  const inside = rows.slice(0, NAMED).map(({ label }) => label);
  const more = rows.length - inside.length;
  return inside.length === 1 && inside[0] === bag
    ? bag
    : `${bag}: ${inside.join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

const clockAfter = (nowMs: number, minutes: number, zone: string): string =>
  DateTime.fromMillis(nowMs, { zone }).plus({ minutes }).toFormat('HH:mm');

function Fact({ text, back, onBack }: { text: string; back: string; onBack: () => void }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Typography sx={{ flex: 1, fontSize: '1.0625rem', fontWeight: 650 }}>{text}</Typography>
      <BigButton fullWidth={false} onClick={onBack} sx={{ fontSize: '1rem' }}>
        {back}
      </BigButton>
    </Box>
  );
}
