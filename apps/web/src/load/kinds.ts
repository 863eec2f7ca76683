import type { CargoKind } from '@early-lantern/contract';

/** How a thing is drawn: soft goods light and round, stiff goods dark and square. */
interface Look {
  label: string;
  fill: string;
  isSoft: boolean;
}

export const looks: Record<CargoKind, Look> = {
  section: { label: 'garland sections', fill: '#cfe3dc', isSoft: true },
  bag: { label: 'bags of balloons', fill: '#e6ead2', isSoft: true },
  bouquet: { label: 'helium bags', fill: '#d6dff0', isSoft: true },
  board: { label: 'boards and panels', fill: '#b98f6b', isSoft: false },
  pole: { label: 'poles and pipes', fill: '#8d98a8', isSoft: false },
  base: { label: 'bases', fill: '#6f7687', isSoft: false },
  weight: { label: 'weights', fill: '#59606f', isSoft: false },
  stand: { label: 'stands', fill: '#9aa0b4', isSoft: false },
  furniture: { label: 'furniture', fill: '#a98d72', isSoft: false },
  ladder: { label: 'ladders', fill: '#c08a86', isSoft: false },
  wagon: { label: 'wagons', fill: '#7f8f86', isSoft: false },
  cylinder: { label: 'helium cylinders', fill: '#94707c', isSoft: false },
  crate: { label: 'crates', fill: '#87a0a8', isSoft: false },
  kit: { label: 'kits, needed first', fill: '#5f8487', isSoft: false },
};
