import type { Piece } from '@early-lantern/contract';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { applyChanges } from './fixes.ts';

const coloursOf = (piece: Piece | undefined) => (piece?.kind === 'organic-garland' ? piece.colours : []);

test('a change sets what its path names, leaves the file as it was, and copies nothing it does not touch', () => {
  const file = demoJob('02-engine-shed');
  const before = structuredClone(file);
  const changed = applyChanges(file, [
    { path: '/job/pieces/0/colours/1/sharePct', value: 40 },
    { path: '/job/crew', value: ['wren'] },
  ]);
  expect(file).toEqual(before);
  expect(coloursOf(changed.job.pieces[0])[1]?.sharePct).toBe(40);
  expect(changed.job.crew).toEqual(['wren']);
  expect(changed.job.pieces[1]).toBe(file.job.pieces[1]);
  expect(changed.workshop).toBe(file.workshop);
});

test('a path that leads nowhere is refused', () => {
  expect(() =>
    applyChanges(demoJob('02-engine-shed'), [{ path: '/job/name/first/letter', value: 1 }]),
  ).toThrow(RangeError);
});

test('what is lit needs no fix; what lacks more than any change saves can only be ordered', () => {
  const { lamps } = planJob(demoJob('01-meadow-finish'));
  expect(lamps.enough.fixes).toEqual([]);
  expect(lamps.onTime.fixes).toEqual([]);
  const bare = structuredClone(demoJob('01-meadow-finish'));
  for (const row of bare.workshop.stock) row.onHand = 1;
  const { state, fixes } = planJob(bare).lamps.enough;
  expect(state).toBe('out');
  // The day before doors is a Friday, and three days are the usual lead: Tuesday.
  expect(fixes).toEqual([
    expect.objectContaining({
      label: expect.stringMatching(/^Order the \d+ missing products by Tue 15 Jun$/),
      opens: 'buy',
    }),
  ]);
});

test('what spoils the design least is offered first; a shorter piece last, as a question to the client', () => {
  const shed = structuredClone(demoJob('02-engine-shed'));
  const brick = shed.workshop.stock.find((row) => row.nominalIn === 11 && row.colour === 'brick');
  if (!brick) throw new Error('no brick');
  // Twelves are used for elevens (common practice, no source): with a pack of them on the shelf they come first.
  shed.workshop.stock.push({ nominalIn: 12, colour: 'brick', onHand: 100 });
  // Unless the owner says that they are not: then it is for him to say so once more.
  expect(planJob(shed).lamps.enough).toMatchObject({ state: 'lit', fixes: [] });
  shed.workshop.familiesApart = true;
  const { fixes } = planJob(shed).lamps.enough;
  expect(fixes[0]?.label).toMatch(/^Order \d+ of 11 in\. Brick by /);
  expect(fixes[1]?.label).toBe('12 in. Brick in place of 11 in.');
  const after = planJob(applyChanges(shed, fixes[1]?.changes ?? []));
  expect(after.lamps.enough.state).toBe('lit');
  const need = (plan: typeof after, size: number) =>
    plan.totals.balloons
      .filter((row) => row.nominalIn === size && row.colour === 'brick')
      .reduce((sum, row) => sum + row.need, 0);
  expect([need(after, 11), need(after, 12)]).toEqual([0, need(planJob(shed), 11)]);
  // Every other colour as short: only a shorter piece is left, and it says whom to ask.
  const [garland] = shed.job.pieces;
  if (garland?.kind !== 'organic-garland') throw new Error('no garland');
  const lonely = structuredClone(shed);
  lonely.job.pieces = [{ ...garland, colours: [{ colour: 'brick', sharePct: 100 }] }];
  lonely.workshop.colours = lonely.workshop.colours.filter(({ id }) => id === 'brick');
  const wanted = planJob(lonely).totals.balloons;
  lonely.workshop.stock = wanted.map(({ nominalIn, colour, need: hang, spare }) => ({
    nominalIn,
    colour,
    onHand: nominalIn === 17 ? hang - 1 : hang + spare + 5,
  }));
  expect(planJob(lonely).lamps.enough.fixes.map(({ label }) => label)).toEqual([
    expect.stringMatching(/^Order \d+ of 17 in\. Brick by Tue 15 Jun$/),
    expect.stringMatching(/^Ask the client: .+ long, as far as the balloons go$/),
  ]);
});

test('shares stay a whole after a recolouring, and fixes come the most gain first', () => {
  const file = demoJob('02-engine-shed');
  const { enough, onTime } = planJob(file).lamps;
  expect(enough.fixes.length).toBeGreaterThan(0);
  for (const fix of enough.fixes) {
    for (const piece of applyChanges(file, fix.changes).job.pieces) {
      const shares = coloursOf(piece);
      if (shares.length) expect(shares.reduce((sum, share) => sum + share.sharePct, 0)).toBeCloseTo(100, 6);
    }
  }
  const gains = onTime.fixes.map(
    ({ gain }) => Number(/\d+/.exec(gain)?.[0]) * (gain.includes('late') ? -1 : 1),
  );
  expect(gains).toEqual([...gains].sort((a, b) => b - a));
});
