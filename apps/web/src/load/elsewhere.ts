import type { LoadedItem, VehicleLoad } from '@early-lantern/contract';
import { violationsOf } from '@early-lantern/core';

interface Elsewhere {
  item: LoadedItem;
  /** Why it may not lie there, a sentence each; none where it may. */
  faults: string[];
}

/** Nearer to a wall or another thing than this it is put against it, mm. */
const SNAP = 40;

const clamp = (value: number, most: number) => {
  const within = Math.min(Math.max(0, value), Math.max(0, most));
  if (within < SNAP) return 0;
  return most - within < SNAP ? Math.max(0, most) : within;
};

/** A thing taken along and across its vehicle, let down on whatever lies there, and whether it may lie there. */
export function elsewhere(
  load: VehicleLoad,
  id: string,
  along: number,
  across: number,
): Elsewhere | undefined {
  const item = load.items.find((one) => one.id === id);
  if (!item) return undefined;
  const { room, blocked, payloadKg } = load;
  const x = clamp(item.x + along, room.l - item.l);
  const y = clamp(item.y + across, room.w - item.w);
  const others = load.items.filter((one) => one.id !== id);
  const tops = [...others, ...blocked]
    .filter((one) => one.x < x + item.l && x < one.x + one.l && one.y < y + item.w && y < one.y + one.w)
    .map((one) => one.z + one.h);
  const moved = { ...item, x, y, z: Math.max(0, ...tops) };
  const placed = [...others, moved].sort((a, b) => a.order - b.order);
  const cargo = placed.map((one) => ({
    id: one.id,
    size: { l: one.l, w: one.w, h: one.h },
    upright: ['h'] as const,
    massG: one.massKg * 1000,
    bearsG: one.bearsKg * 1000,
    isSoft: one.isSoft,
    stop: one.stop,
  }));
  const space = {
    l: room.l,
    w: room.w,
    h: room.h,
    blocked,
    door: { w: room.doorW, h: room.doorH },
    payloadG: payloadKg * 1000,
  };
  const name = (other: string | undefined) => placed.find((one) => one.id === other)?.label ?? 'something';
  const found = violationsOf(placed, cargo, space).filter((one) => one.rule !== 'door');
  return { item: moved, faults: [...new Set(found.map((one) => sentence(one, name)))] };
}

type Violation = ReturnType<typeof violationsOf>[number];

function sentence({ rule, id, with: other }: Violation, name: (id: string | undefined) => string): string {
  switch (rule) {
    case 'inside':
      return `${name(id)} does not stay inside.`;
    case 'overlap':
      return `${name(id)} and ${name(other)} want the same place.`;
    case 'support':
      return `${name(id)} stands on too little: three quarters of its base at least.`;
    case 'bears':
      return `${name(id)} does not bear what lies on it.`;
    case 'soft':
      return `${name(id)} lies on balloons: ${name(other)}.`;
    case 'order':
      return `${name(id)} comes off before ${name(other)}, which is in its way.`;
    case 'payload':
      return 'The load is too heavy for the vehicle.';
    default:
      return `${name(id)} cannot lie like that.`;
  }
}
