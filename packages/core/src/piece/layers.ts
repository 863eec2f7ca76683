import type { OwnLayer, Pattern } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';
import { stationsAt } from '../geometry/line.ts';
import { nestedPitch, ringRadius } from '../geometry/rings.ts';
import { type LayerColours, layerColours } from '../pattern/layers.ts';
import { inchesToMetres } from '../quantity/length.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Need } from './recipe.ts';

/** A layer of packed work on its axis. */
export interface Layer extends LayerColours {
  nominalIn: number;
  inflatedIn: number;
  /** Of its middle from the start of the axis. */
  atM: number;
}

/** Templates come in quarter inches. */
const TEMPLATE_STEP_IN = 0.25;
export const onTemplate = (inches: number): number =>
  Math.round(inches / TEMPLATE_STEP_IN) * TEMPLATE_STEP_IN;

/** Pitch of equal layers, metres: `press factor · h(n) · d`. */
export function layerPitchM(n: number, inflatedIn: number, pressFactor: number): number {
  return pressFactor * nestedPitch(n, 1, 1) * inchesToMetres(inflatedIn);
}

/** Equal layers that cover a length of pipe: `round(L / pitch)`, one at least. */
export function equalLayers(
  lengthM: number,
  n: number,
  balloon: { nominalIn: number; inflatedIn: number },
  pressFactor: number,
  pattern: Pattern,
): Layer[] {
  const pitchM = layerPitchM(n, balloon.inflatedIn, pressFactor);
  const count = Math.max(1, Math.round(lengthM / pitchM));
  return layerColours(pattern, n, count).map((layer, i) => ({
    ...layer,
    ...balloon,
    atM: ((i + 0.5) * lengthM) / count,
  }));
}

/**
 * Layers whose balloons run evenly from `bottomIn` to `topIn` over a height, each resting on the one below by the
 * general form of the nested pitch. Diameters go up in template steps.
 */
export function gradedLayers(
  heightM: number,
  n: number,
  nominalIn: number,
  bottomIn: number,
  topIn: number,
  pressFactor: number,
  pattern: Pattern,
): Layer[] {
  const diameterAt = (atM: number) => onTemplate(bottomIn + (topIn - bottomIn) * Math.min(1, atM / heightM));
  const found: { inflatedIn: number; atM: number }[] = [];
  let atM = inchesToMetres(bottomIn) / 2;
  let inflatedIn = onTemplate(bottomIn);
  while (found.length < 200) {
    found.push({ inflatedIn, atM });
    const next = diameterAt(atM);
    const riseM = pressFactor * inchesToMetres(nestedPitch(n, inflatedIn, next));
    if (atM + riseM + inchesToMetres(next) / 2 > heightM + inchesToMetres(next) * 0.25) break;
    atM += riseM;
    inflatedIn = next;
  }
  return layerColours(pattern, n, found.length).map((layer, i) => ({
    ...layer,
    nominalIn,
    ...(found[i] as (typeof found)[number]),
  }));
}

/** Layers set one by one, each resting on the one below by the general form of the nested pitch. */
export function ownLayers(layers: readonly OwnLayer[], nominalIn: number, pressFactor: number): Layer[] {
  let atM = 0;
  return layers.map(({ balloons, inflatedIn, colour }, i) => {
    const below = layers[i - 1];
    // Of rings of unlike numbers the fuller one decides how deep the other sinks in.
    const n = Math.max(balloons, below?.balloons ?? 0);
    atM += below
      ? pressFactor * inchesToMetres(nestedPitch(n, below.inflatedIn, inflatedIn))
      : inchesToMetres(inflatedIn) / 2;
    return { word: Array<string>(balloons).fill(colour), halfSteps: i % 2, nominalIn, inflatedIn, atM };
  });
}

/** Balloons of the layers, by diameter and colour. @param named what a layer of so many is called */
export function layerNeeds(
  layers: readonly Layer[],
  named: (n: number) => string,
  role: Need['role'] = 'base',
): Need[] {
  const needs = new Map<string, Need>();
  for (const { nominalIn, inflatedIn, word } of layers) {
    const cluster = named(word.length);
    for (const colour of word) {
      const key = `${inflatedIn}|${colour}|${cluster}`;
      const count = (needs.get(key)?.count ?? 0) + 1;
      const blown = { min: inflatedIn, max: inflatedIn };
      needs.set(key, { role, nominalIn, inflatedIn: blown, colour, count, cluster });
    }
  }
  return [...needs.values()];
}

/** The layers as seen from the front, threaded on their axis; the balloons in front last. */
export function drawLayers(axis: readonly XY[], layers: readonly Layer[]): DrawnBalloon[] {
  const places = stationsAt(
    axis,
    layers.map((layer) => layer.atM),
  );
  const balls = layers.flatMap((layer, i) => {
    const place = places[i] as (typeof places)[number];
    const n = layer.word.length;
    const rM = inchesToMetres(layer.inflatedIn) / 2;
    const ringM = n > 1 ? ringRadius(n, rM * 2) : 0;
    return layer.word.map((colour, j) => {
      // Angle 0 to the right, a quarter turn towards the viewer.
      const angle = ((j + layer.halfSteps / 2) / n) * 2 * Math.PI + Math.PI / 2;
      const across = ringM * Math.cos(angle);
      return {
        xM: place.x + place.ty * across,
        yM: place.y - place.tx * across,
        zM: ringM * Math.sin(angle),
        rM,
        colour,
        role: 'base' as const,
        nominalIn: layer.nominalIn,
      };
    });
  });
  return balls.sort((a, b) => a.zM - b.zM);
}

/** "quads", "layers of 5". */
export function layerName(n: number): string {
  return n === 4 ? 'quads' : n === 3 ? 'trios' : `${n === 5 ? 'five' : 'six'}-clusters`;
}

/** The top of a stack of layers above its foot, m. */
export function topOf(layers: readonly Layer[]): number {
  const last = layers.at(-1) as Layer;
  return last.atM + inchesToMetres(last.inflatedIn) / 2;
}
