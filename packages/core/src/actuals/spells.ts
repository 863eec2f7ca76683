import type { PersonId, SiteEntry } from '@early-lantern/contract';

/** From when to when somebody was on a task, ms since 1970; they still are where there is no end. */
export interface Spell {
  person: PersonId;
  fromMs: number;
  untilMs: number | null;
}

/**
 * When who was on a task.
 *
 * Somebody who begins twice has begun the first time; whoever ticks it has left it then; for all others it ended with the last tick.
 * Times told afterwards take the place of what that person ticked, from the earliest to the latest that was told.
 *
 * @param entries of one task that hold, by their time
 * @param doneMs when it was ticked last, ms; null where it is not done
 */
export function spellsOf(entries: readonly SiteEntry[], doneMs: number | null): Spell[] {
  const told = toldSpells(entries);
  const ticked = tickedSpells(entries)
    .filter(({ person }) => !told.some((one) => one.person === person))
    .map((spell) => (spell.untilMs === null ? { ...spell, untilMs: doneMs } : spell))
    // Begun after it was done already, by somebody who had not heard of it.
    .filter(({ fromMs, untilMs }) => untilMs === null || untilMs > fromMs);
  return [...ticked, ...told].sort((one, other) => one.fromMs - other.fromMs);
}

function tickedSpells(entries: readonly SiteEntry[]): Spell[] {
  const spells: Spell[] = [];
  for (const { at, by, event } of entries) {
    const open = spells.find((one) => one.person === by && one.untilMs === null);
    if (event.kind === 'start' && !open) spells.push({ person: by, fromMs: Date.parse(at), untilMs: null });
    if (open && (event.kind === 'pause' || event.kind === 'done')) open.untilMs = Date.parse(at);
  }
  return spells;
}

function toldSpells(entries: readonly SiteEntry[]): Spell[] {
  const told = new Map<PersonId, Spell>();
  for (const { event } of entries) {
    if (event.kind !== 'times') continue;
    const { person } = event;
    const [fromMs, untilMs] = [Date.parse(event.from), Date.parse(event.until)];
    const before = told.get(person);
    told.set(person, {
      person,
      fromMs: Math.min(fromMs, before?.fromMs ?? fromMs),
      untilMs: Math.max(untilMs, before?.untilMs ?? untilMs),
    });
  }
  return [...told.values()];
}

/** Minutes that people were on a task, all together; those who still are count to now. @param nowMs ms since 1970 */
export const workedMin = (spells: readonly Spell[], nowMs: number): number =>
  spells.reduce((sum, { fromMs, untilMs }) => sum + ((untilMs ?? nowMs) - fromMs) / 60_000, 0);
