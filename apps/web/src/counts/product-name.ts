import type { Colour, WorkshopSettings } from '@early-lantern/contract';

/** A colour of the workshop, or a stand-in for one it no longer has. */
export function colourOf(
  workshop: Pick<WorkshopSettings, 'colours'>,
  id: string,
): Pick<Colour, 'name' | 'hex' | 'finish'> {
  return workshop.colours.find((colour) => colour.id === id) ?? { name: id, hex: '#888888' };
}
