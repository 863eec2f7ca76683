import type { ColourId, Schools } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { amounts, material } from '../materials/materials.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { counted, plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE } from '../working.ts';
import { clusterName, twistRate } from './cluster-names.ts';
import { colourMark } from './colour-mark.ts';
import type { Dressing, FillerCount } from './dressing.ts';
import type { Assembly, Material, SiteWork } from './recipe.ts';

/** What the dressing is put together from, as the schools have it. */
export function dressingAssemblies(dressing: Dressing, schools: Schools, part: string): Assembly[] {
  const { clusters } = dressing;
  const fillers = dressing.fillers.map(
    (filler): Assembly => ({
      name: filler.name,
      size: filler.size,
      count: filler.count,
      part: 'fillers',
      make: filler.size > 2 ? twistRate(filler.size) : undefined,
      join: schools.dressing === 'finished-sections' ? fillerRate[fixingOf(filler, schools)] : undefined,
      joinAt: 'bench',
    }),
  );
  const bySize = new Map<number, number>();
  for (const { size, count } of [...clusters.spine, ...clusters.side])
    bySize.set(size, (bySize.get(size) ?? 0) + count);
  const base = [...bySize]
    .sort(([a], [b]) => a - b)
    .map(
      ([size, count], i): Assembly => ({
        ...(i > 0 ? { withBefore: true } : {}),
        name: clusterName(size),
        size,
        count,
        part,
        make: twistRate(size),
        join: schools.joining,
        joinAt: 'bench',
      }),
    );
  return [...base, ...fillers];
}

/** A folded balloon has no neck to knot: a band goes round it. */
const fixingOf = ({ foldedFromIn }: FillerCount, { fillerFixing }: Schools): Schools['fillerFixing'] =>
  foldedFromIn !== undefined && fillerFixing === 'neck' ? 'band' : fillerFixing;

/** "12 quads and 38 trios". */
const fillersInWords = (fillers: readonly FillerCount[]): string =>
  fillers
    .map(({ name, count, foldedFromIn }) => {
      const words = counted(count, name.replace('filler ', '').replace(', folded', ''));
      return foldedFromIn === undefined ? words : `${words}, each folded from ${sizeName(foldedFromIn)}`;
    })
    .join(' and ');

const fillerRate = {
  'half-260': 'fix-filler',
  loop: 'fix-filler',
  band: 'fix-band',
  neck: 'fix-band',
  dash: 'fix-dash',
} as const;

/** Work on the spot after the base hangs: width at the sides, fillers, shine. */
/** @param fluffing what is said of the fluffing besides: corners, a tail */
export function dressingWork(dressing: Dressing, schools: Schools, fluffing: string[] = []): SiteWork[] {
  const { sideClusters, fillers, lengthM, widened, edgeSingles } = dressing;
  const finished = schools.dressing === 'finished-sections';
  const work: SiteWork[] = [];
  if (sideClusters > 0 && !finished) {
    work.push({
      id: 'dress',
      stage: 'dress',
      label: `add ${plural(sideClusters, 'cluster')} at the sides`,
      rate: schools.joining,
      amount: sideClusters,
      how: [
        'Where it is thin or runs straight.',
        ...(widened > 0 ? [`${widened} of them where its look-over says.`] : []),
        ...fluffing,
      ],
    });
  }
  if (fillers.length > 0 && !finished) {
    const label = `close gaps with ${fillersInWords(fillers)}`;
    work.push({
      id: 'fill',
      stage: 'fill',
      label,
      rate: fillerRate[schools.fillerFixing],
      amount: fillers.reduce((sum, { count }) => sum + count, 0),
      how: [
        ...new Set(fillers.map((filler) => fillerStep[fixingOf(filler, schools)])),
        'Large gaps first, the smallest fillers last.',
      ],
    });
  }
  if (edgeSingles > 0)
    work.push({
      id: 'edge-singles',
      stage: 'accent',
      label: `cover bare edges with ${plural(edgeSingles, 'single')}`,
      rate: 'fix-single',
      amount: edgeSingles,
      how: ['Each on a dash, where its look-over says: find the touching point first.'],
    });
  if (schools.bloom !== 'none') {
    work.push({
      id: 'shine',
      stage: 'finish',
      label: schools.bloom === 'wipe' ? 'wipe for shine' : 'spray for shine',
      rate: schools.bloom === 'wipe' ? 'shine-wipe' : 'shine-spray',
      amount: lengthM / (12 * METRES_PER_FOOT),
      how: ['Never on hot balloons in direct sun.'],
    });
  }
  return work;
}

/** String, line, bands, dashes and spray of a dressing, as the schools have it. */
export function dressingMaterials(dressing: Dressing, schools: Schools): Material[] {
  const { lengthM, fillers, edgeSingles } = dressing;
  const alongLine: Record<Schools['joining'], Material[]> = {
    'string-260': [
      material(
        'modelling-260',
        Math.ceil(lengthM * amounts.string260PerM.value),
        '⌈L · balloons per metre⌉, tied end to end',
        [
          ['L', lengthM, 'm'],
          ['balloons per metre', amounts.string260PerM.value],
        ],
        amounts.string260PerM.tag,
        { what: 'String of 260s tied in two' },
      ),
    ],
    'string-line': [
      material(
        'fishing-line',
        Math.ceil(lengthM * amounts.lineSlack.value),
        '⌈L · slack⌉',
        [
          ['L', lengthM, 'm'],
          ['slack', amounts.lineSlack.value],
        ],
        amounts.lineSlack.tag,
      ),
    ],
    'string-neck': [],
  };
  return [
    ...alongLine[schools.joining],
    ...fillers.flatMap((filler) => fillerMaterials(filler, fixingOf(filler, schools))),
    ...(edgeSingles > 0
      ? [
          material(
            'adhesive-dash',
            edgeSingles,
            'one a single',
            [['singles', edgeSingles]],
            COMMON_PRACTICE,
            { what: 'Dashes for bare edges' },
          ),
        ]
      : []),
    ...shine(lengthM, schools),
  ];
}

function fillerMaterials(filler: FillerCount, fixing: Schools['fillerFixing']): Material[] {
  const { count } = filler;
  const inputs: [string, number][] = [['fillers', count]];
  switch (fixing) {
    case 'half-260':
      return [
        material(
          'modelling-260',
          Math.ceil(count / 4),
          '⌈fillers / 2 / 2⌉: a half holds one at each end',
          inputs,
          COMMON_PRACTICE,
          { what: `Halves of 260s for ${filler.name}` },
        ),
      ];
    case 'loop':
      return [
        material(
          'modelling-260',
          Math.ceil(count / 2),
          '⌈fillers / 2⌉: a half looped round the base for each',
          inputs,
          COMMON_PRACTICE,
          { what: `Loops of half 260s for ${filler.name}` },
        ),
      ];
    case 'band':
      return [material('rubber-band', count, 'one for each filler', inputs, COMMON_PRACTICE)];
    case 'dash':
      return [material('adhesive-dash', count, 'one for each filler', inputs, COMMON_PRACTICE)];
    case 'neck':
      return [];
  }
}

function shine(lengthM: number, schools: Schools): Material[] {
  if (schools.bloom !== 'spray') return [];
  const { value, tag } = amounts.shineMlPerM;
  const inputs: [string, number, string][] = [
    ['L', lengthM, 'm'],
    ['per metre', value, 'ml'],
  ];
  return [material('shine-spray', Math.ceil(lengthM * value), '⌈L · per metre⌉', inputs, tag)];
}

/** What the schools say to the crew. */
export function schoolNotes(schools: Schools): string[] {
  const notes: string[] = [];
  if (schools.joining === 'string-neck' && schools.tie === 'tight')
    notes.push(
      'Neck to neck needs long necks, and the duplets are tied tight: tie them long, or join by 260.',
    );
  return notes;
}

const joiningStep: Record<Schools['joining'], string> = {
  'string-260': 'String the clusters on 260s tied end to end, a figure of eight round each; push them up.',
  'string-neck': 'Knot each cluster to the next neck to neck; keep the necks long.',
  'string-line': 'Wind fishing line twice round each cluster and on to the next; it does not give.',
};
const fillerStep: Record<Schools['fillerFixing'], string> = {
  'half-260': 'A filler at each end of half a 260, wound round the base.',
  loop: 'Loop half a 260 round the base and twist the filler into it.',
  band: 'A rubber band through the filler, hooked over a neck of the base.',
  neck: 'Knot the filler by its own necks.',
  dash: 'Find the touching point first, then stick with a dash at body warmth.',
};
const tieStep: Record<Schools['tie'], string> = {
  long: 'Tie duplets with a long neck.',
  tight: 'Tie duplets tight to the balloon.',
};

/** "14 six-clusters", "11 clusters of 5 and 3 of 6". */
function howMany({ spine, side }: Dressing['clusters']): string {
  const bySize = new Map<number, number>();
  for (const { size, count } of [...spine, ...side]) bySize.set(size, (bySize.get(size) ?? 0) + count);
  const each = [...bySize].sort(([a], [b]) => a - b);
  if (each.length === 1) return each.map(([size, count]) => counted(count, clusterName(size))).join('');
  return each.map(([size, count], i) => `${count}${i === 0 ? ' clusters' : ''} of ${size}`).join(' and ');
}

/** "6 duplets, 2 quads, 8 duplets", each in its colour: stretches of alike clusters after each other. */
function runInWords(run: NonNullable<Dressing['run']>): string {
  const stretches: { size: number; colour: ColourId; count: number }[] = [];
  for (const { size, colour } of run) {
    const last = stretches.at(-1);
    if (last?.size === size && last.colour === colour) last.count++;
    else stretches.push({ size, colour, count: 1 });
  }
  return stretches
    .map(({ size, colour, count }) => `${counted(count, clusterName(size))} in ${colourMark(colour)}`)
    .join(', ');
}

/** "Brick: 6 in all, one to every 4th cluster, turned to the front." */
function singlyInWords(colour: ColourId, count: number, clusters: number): string {
  const every = Math.max(1, Math.round(clusters / count));
  const each =
    count > clusters
      ? `about ${Math.round(count / clusters)} to each cluster`
      : every === 1
        ? 'one to a cluster'
        : `one to every ${ordinal(every)} cluster`;
  return `${colourMark(colour)}: ${count} in all, ${each}, turned to the front.`;
}

/** 2nd, 3rd, 4th … 11th, 21st. */
function ordinal(n: number): string {
  const ending = n % 100 > 10 && n % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
}

/** How the clusters are held together before they are put up. */
type Holding = Schools['joining'] | 'unstrung';

/** How a dressing is made at the bench, in the words of its schools. @param holding as its own school has it, if not said */
export function dressingMaking(
  dressing: Dressing,
  schools: Schools,
  holding: Holding = schools.joining,
): string[] {
  const { clusters, fillers, sideClusters, spineClusters, run, singly } = dressing;
  const sizes = [...clusters.spine, ...clusters.side].map(({ size }) => size);
  const sized =
    schools.sizing === 'eye'
      ? 'Blow by eye, sizes varied on purpose.'
      : 'Blow each size through its template hole.';
  const isFinished = schools.dressing === 'finished-sections';
  return [
    sized,
    `${tieStep[schools.tie]} Twist them into ${howMany(clusters)}, sizes assorted.${sizes.some((size) => size % 2 === 1) ? ' An odd one takes a trio for one of its duplets.' : ''}`,
    ...singly
      .filter(({ count }) => count > 0)
      .map(({ colour, count }) => singlyInWords(colour, count, spineClusters + sideClusters)),
    ...(holding === 'unstrung'
      ? []
      : [`${joiningStep[holding]} ${plural(spineClusters, 'cluster')} make the base.`]),
    ...(run ? [`From the thick end on: ${runInWords(run)}.`] : []),
    ...(isFinished && sideClusters > 0 ? [`Add ${plural(sideClusters, 'cluster')} at the sides.`] : []),
    ...(fillers.some(({ foldedFromIn }) => foldedFromIn !== undefined)
      ? [
          'Fold fillers: blow slightly, knot, pinch in the middle, twist, wrap the tail round the pinch; no neck is left.',
        ]
      : []),
    ...(isFinished && fillers.length > 0
      ? [
          `Close gaps with ${fillersInWords(fillers)}. ${[...new Set(fillers.map((filler) => fillerStep[fixingOf(filler, schools)]))].join(' ')}`,
        ]
      : []),
  ];
}
