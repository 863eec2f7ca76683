import type { JobFile, Plan } from '@early-lantern/contract';
import { useUnits } from '../preferences.tsx';
import { floorWords, forbidWords, loudWords } from '../sites/words.ts';

/** All that the survey knows and a helper needs; what was not asked is left out. */
export function PlaceLines({ file }: { file: JobFile }) {
  const { long } = useUnits();
  const { site, job } = file;
  const { distanceM, steps, lift, doorM, longestM, parking, setDownMin } = site.loadIn;
  const spots = site.spots.filter(({ id }) => job.pieces.some(({ spotId }) => spotId === id));
  const way = [
    `${long(distanceM)} on foot`,
    ...(lift ? ['lift'] : steps ? [`${steps} steps`] : []),
    ...(doorM ? [`narrowest door ${long(doorM)}`] : []),
    ...(longestM ? [`nothing longer than ${long(longestM)}`] : []),
  ];
  return (
    <>
      <p>
        <strong>{site.name}</strong>
        {site.isWorkshop ? ', our own workshop' : `, ${site.driveMin} min drive`}.
      </p>
      {!site.isWorkshop && <p>From the van: {way.join(', ')}.</p>}
      {site.access && <p>Way in: {ended(site.access)}</p>}
      {parking && (
        <p>
          Parking: {ended(parking)}
          {setDownMin ? ` ${setDownMin} min to park and sign in.` : ''}
        </p>
      )}
      {site.contact && <p>Contact: {ended(site.contact)}</p>}
      {site.rules && <p>Venue rules: {ended(site.rules)}</p>}
      {site.forbids && site.forbids.length > 0 && (
        <p>
          <strong>Forbidden: {site.forbids.map((one) => forbidWords[one]).join(', ')}.</strong>
        </p>
      )}
      {site.quiet && (
        <p>
          Quiet from {site.quiet.from} to {site.quiet.to}: no{' '}
          {(site.quiet.loud ?? (['inflators'] as const)).map((one) => loudWords[one]).join(', no ')}.
        </p>
      )}
      {(site.loadIn.kerb || site.loadIn.kerbMin) && (
        <p>
          Van at the set-down
          {site.loadIn.kerb && ` from ${site.loadIn.kerb.from} to ${site.loadIn.kerb.to}`}
          {site.loadIn.kerbMin && `, ${site.loadIn.kerbMin} min at a time`}.
        </p>
      )}
      {spots.map(({ id, name, floor, power }) =>
        floor || power ? (
          <p key={id}>
            {name}: {floor ? `${floorWords[floor]} floor` : ''}
            {floor && power ? ', ' : ''}
            {power ? (power.length > 0 ? `${power.length} × power` : 'no power') : ''}.
          </p>
        ) : null,
      )}
    </>
  );
}

const ended = (text: string) => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);

/** Outdoors, at what gust to watch, lower and take down, the first piece to go first. */
export function WindLines({ plan }: { plan: Plan }) {
  const { wind } = useUnits();
  const exposed = plan.holds.pieces
    .filter((one) => one.isOutdoors && one.takeDownGustMs !== null)
    .sort((a, b) => (a.takeDownGustMs as number) - (b.takeDownGustMs as number));
  if (exposed.length === 0) return null;
  return (
    <section className="sheet-keep">
      <h2>Wind</h2>
      <ul>
        {exposed.map(({ id, name, watchGustMs, lowerGustMs, takeDownGustMs }) => (
          <li key={id}>
            {name}: watch at {wind(watchGustMs ?? 0)}, lower at {wind(lowerGustMs ?? 0)},{' '}
            <strong>take down at {wind(takeDownGustMs ?? 0)}</strong>.
          </li>
        ))}
      </ul>
    </section>
  );
}
