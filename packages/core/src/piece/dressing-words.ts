import type { Working } from '@early-lantern/contract';
import { METRES_PER_FOOT, metresToInches } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { type DressSteps, FILLER_WIDTH_M } from './dress-steps.ts';
import { meanCubeM3, meanDiameterM } from './mix.ts';
import { narrowestM, outerOverMean, overFewest, tightPitchM, tightWidthM } from './organic-law.ts';

const SIMULATED = `${DERIVED}, fitted to relaxed soft spheres`;
/** Above so many a cluster is unwieldy. Common practice, no source. */
const UNWIELDY = 14;
/** Clusters further apart than so many times their own pitch show the string between them. */
const GAPPY = 2;

const inches = (metres: number) => `${Math.round(metresToInches(metres))} in`;
const count = (counts: readonly { count: number }[]) => counts.reduce((sum, one) => sum + one.count, 0);

/** What the owner should know about how length and width were met. */
export function dressingNotes(steps: DressSteps): string[] {
  const {
    widthM,
    visibleWidthM,
    sizes,
    backing,
    clusterSize,
    clusters,
    lengthM,
    spine,
    side,
    extra,
    onPole,
  } = steps;
  const notes: string[] = [];
  if (visibleWidthM > widthM * 1.02)
    notes.push(
      `The width gave way: even in a single line these balloons are about ${inches(visibleWidthM)} wide, not ${inches(widthM)}. Smaller balloons make it thinner.`,
    );
  if (steps.mix.sizePolicy === 'fit-width') {
    const mix = sizes.map((size) => `${size.nominalIn} in. ${Math.round(size.sharePct)} %`).join(', ');
    notes.push(`The size mix gave way to the width: ${mix}.`);
  }
  if (side > 0)
    notes.push(
      `To reach ${inches(widthM)}, ${plural(count(clusters.side), 'cluster')} of the ${count(clusters.spine) + count(clusters.side)} at the sides.`,
    );
  if (clusterSize > UNWIELDY)
    notes.push(`Clusters of ${clusterSize} are unwieldy: ${UNWIELDY} is about the most that is tied.`);
  const apartM = lengthM / count(clusters.spine);
  const own = tightPitchM(clusterSize, sizes, backing);
  if (apartM > GAPPY * own)
    notes.push(
      `The clusters sit ${inches(apartM)} apart; pushed together they take ${inches(own)} each, so ${onPole ? 'the pole shows between them. Make it fuller or narrower.' : 'string shows between them. Use smaller clusters.'}`,
    );
  const ratio = (spine + side + extra) / (3 * (lengthM / METRES_PER_FOOT));
  if (ratio > 2)
    notes.push(
      `That is ${ratio.toFixed(1)} times the trade's three 12 in. a foot: the rule is for a thin home-style base, and this garland is ${inches(visibleWidthM)} wide.`,
    );
  if (ratio < 0.5)
    notes.push(
      `That is under half the trade's three 12 in. a foot: these balloons are much larger than 12 in.`,
    );
  return notes;
}

/** Every step of the count. */
export function dressingWorking(steps: DressSteps): Working[] {
  const { sizes, backing, fullness, lengthM, meanWidthM, fewest, clusterSize, clusters } = steps;
  const where = backing === 'wall' ? 'against a wall' : 'hung free';
  const d3 = Math.cbrt(meanCubeM3(sizes));
  return [
    working(
      'Length of the line',
      'L = Σ of short chords of the smooth line',
      [],
      { value: lengthM, unit: 'm' },
      DERIVED,
    ),
    working(
      'Fewest balloons that fill the outline',
      `N = Σ along the line of 1.5 φ W · min(κ W, κ W16) / d3³, ${where}; d3 = ∛mean(d³)`,
      [
        ['L', lengthM, 'm'],
        ['W at the thick end, average of the outline', steps.widthM, 'm'],
        ['W, average over the taper', meanWidthM, 'm'],
        ['W16', tightWidthM(16, sizes, backing), 'm'],
        ['d3', d3, 'm'],
      ],
      { value: Math.ceil(fewest - 1e-9), unit: 'balloons' },
      `${SIMULATED}, width ± 3 %`,
    ),
    working(
      'Balloons, as full as wanted',
      `⌈${fullness} · fewest⌉ + extra: so many are set on corners and a tail`,
      [
        [fullness, overFewest(fullness, backing)],
        ['fewest', fewest],
        ['extra', steps.extra],
      ],
      { value: steps.spine + steps.side + steps.extra, unit: 'balloons, in whole clusters' },
      `95–150 on 10 ft, 24–30 in. wide: ${COMMON_PRACTICE}`,
    ),
    working(
      'Balloons in a cluster, on average',
      'from 4 at the width of quads with play to 8 at that of eights pushed together, or as set',
      [
        ['quads pushed together', tightWidthM(4, sizes, backing), 'm'],
        ['eights', tightWidthM(8, sizes, backing), 'm'],
      ],
      { value: Number(clusterSize.toFixed(1)), unit: '' },
      SIMULATED,
    ),
    working(
      'Clusters on the string',
      'balloons of the string / balloons in a cluster',
      [
        ['balloons of the string', steps.spine],
        ['pushed together one takes', tightPitchM(clusterSize, sizes, backing), 'm'],
      ],
      { value: count(clusters.spine), unit: 'clusters' },
      `${SIMULATED}, pitch ± 4 %`,
    ),
    working(
      'Outer line',
      'what nine tenths of the outline stay within, over its mean width',
      [['mean width', steps.widthM, 'm']],
      { value: steps.widthM * outerOverMean(sizes), unit: 'm' },
      SIMULATED,
    ),
    working(
      'Narrowest possible with these balloons',
      'one after the other: √(d3³ / (1.5 φ κ d̄))',
      [
        ['d3', d3, 'm'],
        ['d̄', meanDiameterM(sizes), 'm'],
      ],
      { value: narrowestM(sizes, backing), unit: 'm' },
      SIMULATED,
    ),
    working(
      'Rule of thumb: a thin base',
      '3 balloons of 12 in. a foot',
      [['L', lengthM, 'm']],
      { value: Math.round(3 * (lengthM / METRES_PER_FOOT)), unit: 'balloons' },
      COMMON_PRACTICE,
    ),
    ...steps.fillers.map(({ name, perM, count: found }) =>
      working(
        `Fillers: ${name}`,
        'density · L · W / usual width, rounded',
        [
          ['density', perM, 'per m'],
          ['L', lengthM, 'm'],
          ['W', meanWidthM, 'm'],
          ['usual width', FILLER_WIDTH_M, 'm'],
        ],
        { value: found, unit: 'fillers' },
        `about 20 on a 10 ft base: ${COMMON_PRACTICE}`,
      ),
    ),
  ];
}
