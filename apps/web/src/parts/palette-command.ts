/** Something a person can do or go to from the palette. */
export interface PaletteCommand {
  id: string;
  group: 'Go to' | 'Do' | 'Found';
  label: string;
  /** The key that does it without the palette. */
  keys?: string;
  run: () => void;
}
