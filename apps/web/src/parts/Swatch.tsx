import { Box } from '@mui/material';

/** A colour as a small balloon; its name stands beside it. */
export function Swatch({ hex, size = 18 }: { hex: string; size?: number }) {
  return (
    <Box
      component="span"
      aria-hidden="true"
      sx={{
        flex: 'none',
        width: size,
        height: size,
        borderRadius: '50%',
        border: '1px solid rgba(31, 38, 55, 0.35)',
        background: `radial-gradient(circle at 34% 30%, color-mix(in srgb, ${hex} 45%, white), ${hex} 55%)`,
      }}
    />
  );
}
