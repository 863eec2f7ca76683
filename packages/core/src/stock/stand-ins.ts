import type {
  Alternative,
  Colour,
  ColourId,
  StandIn,
  Unmade,
  WorkshopSettings,
} from '@early-lantern/contract';
import { comesIn, sizeName, sizeOf } from '../balloon/catalogue.ts';
import { closestColours } from '../balloon/colour-difference.ts';
import { inflateSeconds } from '../bench/inflate.ts';
import type { Need } from '../piece/recipe.ts';

/** Pushing one balloon into another, seconds. From memory, an editable default. */
const STUFFING_S = 12;
/** Pinching, twisting and wrapping a folded duplet, seconds. From memory, an editable default. */
const FOLDING_S = 12;

const isFor = (need: Need) => (one: StandIn) =>
  one.nominalIn === need.nominalIn && one.colour === need.colour;

/** The needs with the chosen stand-ins in their places. */
export function withStandIns(needs: readonly Need[], standIns: readonly StandIn[] = []): Need[] {
  return needs.flatMap((need) => {
    const standIn = standIns.find(isFor(need));
    return standIn ? inPlaceOf(need, standIn) : [need];
  });
}

/** The colour that is seen where a balloon stands, with the chosen stand-ins: its own, or the one used in its place. */
export function seenColour(
  colour: ColourId,
  nominalIn: number | undefined,
  standIns: readonly StandIn[] = [],
): string {
  const standIn = standIns.find(
    (one) => one.colour === colour && (nominalIn === undefined || one.nominalIn === nominalIn),
  );
  if (standIn?.way === 'other-colour') return standIn.useColour;
  return standIn?.way === 'stuffed' ? standIn.outerColour : colour;
}

function inPlaceOf(need: Need, standIn: StandIn): Need[] {
  switch (standIn.way) {
    case 'other-size': {
      const { useIn, inflatedIn } = standIn;
      return [{ ...need, nominalIn: useIn, inflatedIn, count: sameVolume(need, inflatedIn) }];
    }
    case 'stuffed':
      return [
        { ...need, colour: standIn.outerColour, cluster: `${need.cluster}, double-stuffed` },
        { ...need, nominalIn: standIn.innerIn, cluster: `${need.cluster}, inside` },
      ];
    case 'folded':
      return [
        {
          ...need,
          nominalIn: standIn.fromIn,
          count: Math.ceil(need.count / 2),
          cluster: `${need.cluster}, folded in two`,
        },
      ];
    case 'other-colour':
      return [{ ...need, colour: standIn.useColour }];
  }
}

/** As many of other diameters as fill the volume: `N d³ / d'³`, rounded up. */
function sameVolume(need: Need, inflatedIn: Need['inflatedIn']): number {
  const mid = (range: Need['inflatedIn']) => (range.min + range.max) / 2;
  return Math.max(1, Math.ceil((need.count * mid(need.inflatedIn) ** 3) / mid(inflatedIn) ** 3 - 1e-9));
}

/** Balloons that the colours are not made in, each with the ways round it that these colours and sizes allow. */
export function unmadeOf(needs: readonly Need[], settings: WorkshopSettings): Unmade[] {
  const found = new Map<string, Need>();
  for (const need of needs) {
    const colour = settings.colours.find((one) => one.id === need.colour);
    if (need.isKept || comesIn(colour, need.nominalIn, settings)) continue;
    const key = `${need.nominalIn}|${need.colour}`;
    found.set(key, { ...need, count: (found.get(key)?.count ?? 0) + need.count });
  }
  return [...found.values()].map((need) => {
    const colour = settings.colours.find((one) => one.id === need.colour) as Colour;
    return {
      nominalIn: need.nominalIn,
      colour: need.colour,
      count: need.count,
      alternatives: [
        ...otherSizes(need, colour, settings),
        ...stuffed(need, colour, settings),
        ...folded(need, colour, settings),
        ...otherColour(need, colour, settings),
      ],
    };
  });
}

/** Counts and cost of a stand-in against the balloons it stands for. */
function weighed(
  need: Need,
  standIn: StandIn,
  settings: WorkshopSettings,
  texts: { label: string; note: string },
  extraSeconds = 0,
): Alternative {
  const rows = inPlaceOf(need, standIn);
  const seconds = rows.reduce((sum, row) => sum + inflateSeconds(row.nominalIn, row.count, settings), 0);
  const before = inflateSeconds(need.nominalIn, need.count, settings);
  return {
    ...texts,
    standIn,
    balloons: rows.reduce((sum, row) => sum + row.count, 0),
    minutes: Number(((seconds + extraSeconds - before) / 60).toFixed(1)),
    rows: rows.map(({ nominalIn, colour, count }) => ({ nominalIn, colour, count })),
  };
}

/** The two sizes nearest in diameter, blown within their own ranges as near to the wanted one as they go. */
function otherSizes(need: Need, colour: Colour, settings: WorkshopSettings): Alternative[] {
  const wanted = (need.inflatedIn.min + need.inflatedIn.max) / 2;
  return (colour.sizesIn ?? [])
    .map((useIn) => {
      const { min, max } = sizeOf(useIn, settings).blowIn;
      const at = Math.min(max, Math.max(min, wanted));
      return { useIn, at };
    })
    .sort((a, b) => Math.abs(a.at - wanted) - Math.abs(b.at - wanted))
    .slice(0, 2)
    .map(({ useIn, at }) =>
      weighed(
        need,
        {
          way: 'other-size',
          nominalIn: need.nominalIn,
          colour: need.colour,
          useIn,
          inflatedIn: { min: at, max: at },
        },
        settings,
        {
          label: `${sizeName(useIn)} blown to ${at} in.`,
          note: 'The same volume to the eye in another size of the colour.',
        },
      ),
    );
}

/** The colour inside a clear balloon, else inside the nearest colour made in the size. */
function stuffed(need: Need, colour: Colour, settings: WorkshopSettings): Alternative[] {
  const innerIn = [...(colour.sizesIn ?? [])]
    .filter((size) => size <= need.nominalIn)
    .sort((a, b) => b - a)[0];
  const outer =
    settings.colours.find((one) => one.finish === 'clear' && comesIn(one, need.nominalIn, settings)) ??
    closestColours(colour, settings.colours).find((one) => comesIn(one.colour, need.nominalIn, settings))
      ?.colour;
  if (innerIn === undefined || !outer) return [];
  return [
    weighed(
      need,
      {
        way: 'stuffed',
        nominalIn: need.nominalIn,
        colour: need.colour,
        outerColour: outer.id,
        innerIn,
      },
      settings,
      {
        label: `${sizeName(innerIn)} ${colour.name.toLowerCase()} inside ${sizeName(need.nominalIn)} ${outer.name.toLowerCase()}`,
        note: 'Double-stuffed: two balloons for one; tie the inner necks.',
      },
      need.count * STUFFING_S,
    ),
  ];
}

/** A 5 in. duplet from one 11 or 12, pinched in the middle. */
function folded(need: Need, colour: Colour, settings: WorkshopSettings): Alternative[] {
  if (need.nominalIn > 6 || !comesIn(colour, 11, settings)) return [];
  const fromIn = colour.sizesIn?.find((size) => size === 11 || size === 12) ?? 11;
  return [
    weighed(
      need,
      { way: 'folded', nominalIn: need.nominalIn, colour: need.colour, fromIn },
      settings,
      {
        label: `${sizeName(fromIn)} folded into two`,
        note: 'Blow slightly, knot, pinch in the middle, twist, wrap the tail: no neck is left, so fix with bands or half 260s.',
      },
      (need.count / 2) * FOLDING_S,
    ),
  ];
}

function otherColour(need: Need, colour: Colour, settings: WorkshopSettings): Alternative[] {
  const nearest = closestColours(colour, settings.colours).find((one) =>
    comesIn(one.colour, need.nominalIn, settings),
  );
  if (!nearest) return [];
  return [
    weighed(
      need,
      {
        way: 'other-colour',
        nominalIn: need.nominalIn,
        colour: need.colour,
        useColour: nearest.colour.id,
      },
      settings,
      {
        label: `${sizeName(need.nominalIn)} in ${nearest.colour.name.toLowerCase()}`,
        note: `The closest colour made in the size: CIEDE2000 difference ${nearest.difference.toFixed(1)}.`,
      },
    ),
  ];
}
