import type { Spot, Surface } from '@early-lantern/contract';

/** Colours of a surface: ground and joints. Muted, so that balloons stand out. */
const surfaceTone: Record<Surface, { ground: string; joint: string }> = {
  painted: { ground: '#ece4d3', joint: '#dfd4bd' },
  brick: { ground: '#e2c3b0', joint: '#cfa893' },
  glass: { ground: '#dbe7e6', joint: '#b3c9c8' },
  tile: { ground: '#e3e8e6', joint: '#c3cfcc' },
  wallpaper: { ground: '#e9dfd0', joint: '#d6c6ae' },
  metal: { ground: '#e0e2e4', joint: '#bcc2c7' },
  iron: { ground: '#dde3df', joint: '#8d9c99' },
  wood: { ground: '#e6d3b5', joint: '#cfb68d' },
  fabric: { ground: '#e9e2ea', joint: '#d3c9d6' },
  mesh: { ground: '#e7eddf', joint: '#a9b79a' },
};

/** The colour of a spot's wall: its own, or what such surfaces usually have. */
export const wallHex = ({ colour, surface }: Pick<Spot, 'colour' | 'surface'>): string =>
  colour ?? surfaceTone[surface].ground;

/** SVG pattern of a surface, in metres, under the id given. @param hex its colour, where it is not the usual one */
export function SurfacePattern({
  surface,
  id,
  hex,
}: {
  surface: Surface;
  id: string;
  hex?: string | undefined;
}) {
  const { ground: usual, joint } = surfaceTone[surface];
  const ground = hex ?? usual;
  // Joints of a wall of another colour are a shade of it.
  const line = { stroke: hex ? `color-mix(in srgb, ${hex} 82%, #1f2637)` : joint, fill: 'none' };
  const tile = (width: number, height: number, drawing: React.ReactNode) => (
    <pattern id={id} width={width} height={height} patternUnits="userSpaceOnUse">
      <rect width={width} height={height} fill={ground} />
      {drawing}
    </pattern>
  );
  switch (surface) {
    case 'brick':
      return tile(
        0.44,
        0.3,
        <path d="M0 .15H.44M0 .3H.44M.11 0V.15M.33 .15V.3" strokeWidth={0.012} {...line} />,
      );
    case 'tile':
      return tile(0.3, 0.3, <path d="M0 0V.3M0 0H.3" strokeWidth={0.012} {...line} />);
    case 'wallpaper':
      return tile(
        0.5,
        0.5,
        <path d="M.25 .1 .35 .25 .25 .4 .15 .25zM0 .35 .1 .5M.4 .5 .5 .35" strokeWidth={0.008} {...line} />,
      );
    case 'metal':
      return tile(0.5, 0.08, <path d="M0 0H.5" strokeWidth={0.006} {...line} />);
    case 'wood':
      return tile(0.28, 1.6, <path d="M0 0V1.600M0 .9H.28" strokeWidth={0.012} {...line} />);
    case 'glass':
      return tile(0.9, 1.1, <path d="M0 0V1.100M0 0H.9" strokeWidth={0.035} {...line} />);
    case 'iron':
      // Glazing bars with small corner brackets.
      return tile(
        0.6,
        1.2,
        <path d="M0 0V1.200M0 0H.6M0 .16Q.16 .16 .16 0M.6 .16Q.44 .16 .44 0" strokeWidth={0.022} {...line} />,
      );
    case 'fabric':
      return tile(0.36, 1, <path d="M.06 0V1M.2 0V1" strokeWidth={0.02} {...line} />);
    case 'mesh':
      return tile(0.12, 0.12, <path d="M0 0 .12 .12M.12 0 0 .12" strokeWidth={0.007} {...line} />);
    case 'painted':
      return tile(2, 2, <path d="M0 1.900H2" strokeWidth={0.01} {...line} />);
  }
}
