import type { JobFile, Plan, Task } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { nameIn, namesFor } from '../clock/gear-names.ts';
import { groupBy } from '../quantity/group.ts';
import { listed } from '../quantity/listed.ts';

/**
 * The run sheet as it is read to somebody over the telephone: whole sentences, no table, no sign that cannot be spoken.
 *
 * @param person whose tasks alone are read; left out, everybody's
 */
export function spokenSheet(file: JobFile, plan: Plan, person?: string): string {
  const { job, site } = file;
  const names = namesFor(file);
  const first = (id: string) => nameIn(id, names).split(' ')[0] as string;
  const moment = (iso: string) => DateTime.fromISO(iso, { zone: plan.timeZone });
  const clock = (iso: string) => moment(iso).toFormat('H:mm');
  const day = (iso: string) => moment(iso).setLocale('en').toFormat('cccc d LLLL');
  const { leaveAt, ready, doors } = plan.onTime;
  const own = plan.tasks.filter(({ crew }) => !person || crew.includes(person));
  const cautions = plan.cautions.filter(
    ({ where }) =>
      !person || own.some(({ id, pieceId }) => where.includes(id) || where.includes(pieceId ?? '')),
  );
  const withOthers = ({ crew }: Task): string => {
    const people = crew.map(first);
    if (people.length === 0) return '';
    if (!person) return `${listed(people)}: `;
    const others = crew.filter((id) => id !== person).map(first);
    return others.length > 0 ? `With ${listed(others)}: ` : '';
  };
  return [
    person ? `${job.name}, for ${first(person)}.` : `${job.name}.`,
    `At ${site.name}, ${day(doors)}. Doors open at ${clock(doors)}.`,
    ...(leaveAt ? [`Leave the workshop at ${clock(leaveAt)} on ${day(leaveAt)}.`] : []),
    ...(ready ? [`Everything stands at ${clock(ready)}.`] : []),
    ...(site.contact ? [`On site ask for: ${ended(site.contact)}`] : []),
    ...(site.access ? [`The way in: ${ended(site.access)}`] : []),
    ...(job.isKept ? [] : [`It comes down from ${clock(job.strike.from)} on ${day(job.strike.from)}.`]),
    ...[...groupBy(own, ({ start }) => day(start))].flatMap(([name, tasks]) => [
      '',
      `${name}.`,
      ...tasks.map((task) => `${clock(task.start)}. ${withOthers(task)}${ended(spoken(task.label))}`),
    ]),
    ...(cautions.length > 0 ? ['', 'Mind this.', ...cautions.map(({ text }) => ended(text))] : []),
    '',
    'That is all.',
  ]
    .map(spoken)
    .join('\n')
    .concat('\n');
}

/** Signs of the page as one says them. */
const SAID: [RegExp, string][] = [
  [/(?<=[\d¼½¾⅛⅜⅝⅞])\s*–\s*(?=\d)/g, ' to '],
  [/(?<=\d)\s*×\s*(?=\p{L})/gu, ' '],
  [/\s*×\s*/g, ' by '],
  [/(?<=[\d¼½¾⅛⅜⅝⅞])\s?in\.?(?=[\s,;:.)]|$)/g, ' inches'],
  [/(?<=[\d¼½¾⅛⅜⅝⅞])\s?ft(?=[\s,;:.)]|$)/g, ' feet'],
  [/(?<=\d)\s?°/g, ' degrees '],
  [/±/g, 'plus or minus '],
  [/\s*\(/g, ', '],
  [/\)/g, ''],
  [/\s*;\s*/g, '; '],
];

const spoken = (line: string): string =>
  SAID.reduce((text, [sign, words]) => text.replace(sign, words), line);

const ended = (text: string): string => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);
