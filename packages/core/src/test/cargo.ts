import type { Cargo, CargoSpace, PlacedBox, Upright } from '../loading/cargo.ts';
import { seededRandom } from '../quantity/random.ts';

const CONTAINER = { l: 587, w: 233, h: 220 };

/**
 * One of the classical sets for one container, in centimetres: so many types of boxes, dealt until the next would be
 * more than the container holds. After Bischoff and Ratcliff (Omega 23, 1995): sides 30–120, 25–100 and 20–80, on a side
 * that may stand up no box is twice as high as wide. The rule is theirs from memory; the numbers are ours.
 */
export function containerSet(types: number, seed: number): { cargo: Cargo[]; space: CargoSpace } {
  const random = seededRandom(seed);
  const sides = ['l', 'w', 'h'] as const;
  const kinds = Array.from({ length: types }, () => {
    const size = {
      l: 30 + Math.floor(random() * 91),
      w: 25 + Math.floor(random() * 76),
      h: 20 + Math.floor(random() * 61),
    };
    const shortest = Math.min(size.l, size.w, size.h);
    const upright = sides.filter((side) => {
      const others = sides.filter((one) => one !== side).map((one) => size[one]);
      return size[side] === shortest || size[side] / Math.min(...others) < 2;
    });
    return { size, upright };
  });
  const cargo: Cargo[] = [];
  let room = CONTAINER.l * CONTAINER.w * CONTAINER.h;
  while (true) {
    const k = Math.floor(random() * types);
    const { size, upright } = kinds[k] as (typeof kinds)[number];
    room -= size.l * size.w * size.h;
    if (room < 0) break;
    cargo.push({ id: `${k}-${cargo.length}`, size, upright, massG: 0, bearsG: Infinity, stop: 1 });
  }
  const space = { ...CONTAINER, blocked: [], door: { w: 233, h: 220 }, payloadG: Infinity };
  return { cargo, space };
}

/** What a workshop may load into a van, by chance: crates, bases, boards on edge, bags on which nothing lies. */
export function randomLoad(seed: number): { cargo: Cargo[]; space: CargoSpace } {
  const random = seededRandom(seed);
  const from = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const arch = (y: number): PlacedBox => ({ x: from(900, 1400), y, z: 0, l: 700, w: 220, h: from(200, 300) });
  const space: CargoSpace = {
    l: from(2200, 3200),
    w: 1500,
    h: from(1200, 1800),
    blocked: random() < 0.7 ? [arch(0), arch(1280)] : [],
    door: { w: from(1000, 1400), h: from(1000, 1300) },
    payloadG: from(300, 900) * 1000,
  };
  const stops = from(1, 3);
  const deal = [
    (id: string): Cargo => ({
      id,
      size: { l: from(300, 600), w: from(300, 400), h: from(250, 400) },
      upright: ['h'],
      massG: from(3, 25) * 1000,
      bearsG: from(0, 60) * 1000,
      stop: from(1, stops),
    }),
    (id: string): Cargo => ({
      id,
      size: { l: from(400, 610), w: from(400, 610), h: from(30, 80) },
      upright: ['h', 'w'],
      massG: from(7, 20) * 1000,
      bearsG: 80_000,
      stop: from(1, stops),
    }),
    (id: string): Cargo => ({
      id,
      size: { l: from(1200, 2400), w: from(20, 60), h: from(600, 1200) },
      upright: ['h'] as Upright[],
      massG: from(4, 15) * 1000,
      bearsG: 0,
      stop: from(1, stops),
    }),
    (id: string): Cargo => ({
      id,
      size: { l: from(700, 1100), w: from(500, 900), h: from(400, 900) },
      upright: ['h', 'w', 'l'],
      massG: from(300, 900),
      // Bags of balloons bear other bags; helium bears nothing.
      bearsG: random() < 0.8 ? 4000 : 0,
      isSoft: true,
      stop: from(1, stops),
    }),
  ];
  const cargo = Array.from({ length: from(3, 24) }, (_, i) =>
    (deal[from(0, 3)] as (typeof deal)[0])(`t${i}`),
  );
  // Some things come by the dozen.
  const [first] = cargo;
  const alike = first ? Array.from({ length: from(0, 6) }, (_, i) => ({ ...first, id: `a${i}` })) : [];
  return { cargo: [...cargo, ...alike], space };
}
