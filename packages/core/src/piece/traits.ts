import type { Furnishing } from '@early-lantern/contract';

/** What the rest of the plan goes by, whatever kind of piece it is. */
export interface Traits {
  /** What its own balloons are of and filled with; 'none' where it has none. */
  balloons: 'latex' | 'helium' | 'foil' | 'none';
  /** It hangs: what it overlaps might carry it. */
  hangs: boolean;
  /** Big and stiff: it takes two to lift. */
  isLifted: boolean;
  /** Tables, chairs, props: set down first, carried one by one and cleared away last. */
  furniture: readonly Pick<
    Furnishing['items'][number],
    'name' | 'count' | 'widthM' | 'heightM' | 'massKg' | 'rides'
  >[];
}

/** Air-filled latex that stands by itself or says what it is on; most kinds. */
export const standing = (): Traits => ({ balloons: 'latex', hangs: false, isLifted: false, furniture: [] });

/** Air-filled latex that hangs. */
export const hanging = (): Traits => ({ ...standing(), hangs: true });
