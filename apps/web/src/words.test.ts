import { readdirSync, readFileSync } from 'node:fs';
import { JobFile } from '@early-lantern/contract';
import { draftPlan } from '@early-lantern/core';

/** Words that a new helper did not act on without asking: none of them is on a screen or on paper any more. */
const puzzling = [
  /What shall it be/,
  /Wanted twice/,
  /over at least/,
  /where \$\{[^}]*\} is asked|is asked at/,
  /not allowed so/,
  /(?<!take )down at \$\{/,
  /\bin hand\b/,
  /Set this plan aside/,
  /Agree on this plan/,
  /Heavy: whatever/,
  /Ways out/,
  /orders tried/,
  /\bProven: /,
  /kindred/,
  /\b[Tt]o be had\b/,
  /This job wants/,
  /Sold out/,
  /As dealt/,
  /let the width decide/,
  /as fits/,
  /bears most/,
  /Off again/,
  /into quads\./,
  /Left empty/,
  /Bring one in|Forget it/,
  /Ask for these hours|Ask for the drive/,
  /Others take it down/,
  /At least one person stays/,
  /Above the sea/,
  /As warm as it gets/,
  /Longest that gets in/,
  /[Aa] part of another surface/,
  /the house['’]s words/,
  /through and through/,
  /still to ask/,
  /Waiting for it/,
  /Trusted with/,
  /Paid an hour/,
  /Takes, long/,
  /Of its time/,
  /halves of 260s/,
  /Chance that all lots/,
  /own thing\b/,
  /things of our own/,
  /What came or went|Book it/,
  /nothing is taken\b|was taken over/,
  /stands a week later/,
  /Server silent/,
  /Take along/,
  /\bLet go\b/,
  /past legal hours/,
  /Signed off by, for the house/,
  /Go through 10,000/,
];

const folders = ['apps/web/src', 'packages/core/src', 'packages/contract/src', 'apps/server/src'];
const sources = folders.flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|json)$/.test(name) && !/\.test\.ts$|\.d\.ts$|(^|\/)dist\//.test(name))
    .map((name) => `${folder}/${name}`),
);

/** What is written for people: everything but comments and names in the code. */
const said = (text: string) =>
  text
    .replace(/\/\*[\s\S]*?\*\//g, '')
    .split('\n')
    .filter((line) => !/^\s*(\/\/|import |export \{)/.test(line))
    .join('\n');

test('no label, sentence or catalogue entry has a word that a new helper would have to ask about', () => {
  expect(sources.length).toBeGreaterThan(300);
  const found = sources.flatMap((path) => {
    const text = said(readFileSync(path, 'utf8'));
    return puzzling.filter((one) => one.test(text)).map((one) => `${path}: ${one.source}`);
  });
  expect(found).toEqual([]);
});

test('nothing that is printed says how a figure is known: that is behind Show working', () => {
  for (const name of readdirSync('demo/jobs')) {
    const plan = draftPlan(JobFile.parse(JSON.parse(readFileSync(`demo/jobs/${name}`, 'utf8'))));
    const printed = [
      ...plan.pieces.flatMap(({ notes, steps }) => [notes, steps]),
      ...plan.tasks.map(({ label }) => label),
      ...plan.cautions.map(({ text, defersTo }) => [text, defersTo]),
    ];
    expect(JSON.stringify(printed)).not.toMatch(/no source|from memory/);
  }
});
