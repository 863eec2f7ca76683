import type { CrewMember } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Swatch } from '../parts/Swatch.tsx';
import { BigButton } from './BigButton.tsx';
import { BlownTo } from './BlownTo.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { leftOver } from './spares.ts';
import { buzz } from './stay-awake.ts';
import type { SiteLogHere } from './use-log.ts';

interface TopUpsViewProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** What popped and is to be blown anew on site: how many of what size and colour, how large, and what is left of the spares. */
export function TopUpsView({ who, taken, log }: TopUpsViewProps) {
  const { file, plan } = taken;
  const products = leftOver(plan, log.happened);
  const open = products.filter(({ toBlow }) => toBlow > 0);
  const low = products.filter(({ left, spare, toBlow }) => toBlow === 0 && spare > 0 && left <= spare / 4);
  const colourOf = (id: string) => file.workshop.colours.find((one) => one.id === id);
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Top-ups
      </Typography>
      {open.length === 0 && (
        <Typography sx={{ fontSize: '1.0625rem', color: 'text.secondary' }}>
          Nothing to blow. What pops comes onto this list.
        </Typography>
      )}
      {open.map((product) => {
        const { nominalIn, colour, toBlow } = product;
        const words = `${sizeName(nominalIn)} ${colourOf(colour)?.name ?? colour}`;
        return (
          <Box
            key={`${nominalIn} ${colour}`}
            component="section"
            aria-label={words}
            sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, display: 'grid', gap: 1 }}
          >
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
              <Swatch hex={colourOf(colour)?.hex ?? '#888888'} size={32} />
              <Typography sx={{ fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.2 }}>
                {toBlow} × {words}
              </Typography>
            </Box>
            <BlownTo plan={plan} product={product} />
            <Typography sx={{ fontSize: '1.0625rem', fontWeight: product.left < 0 ? 700 : 400 }}>
              {product.left < 0
                ? `${-product.left} more than there are spares: take what can be missed least, or leave it out.`
                : `${product.left} of ${product.spare} spares left after that.`}
            </Typography>
            <BigButton
              variant="contained"
              onClick={() => {
                buzz();
                void log.write(who.id, { kind: 'topped-up', nominalIn, colour, count: 1 });
              }}
            >
              One is blown and in its place
            </BigButton>
          </Box>
        );
      })}
      {low.length > 0 && (
        <Typography sx={{ fontSize: '1.0625rem' }}>
          Few spares left:{' '}
          {low
            .map(
              ({ nominalIn, colour, left }) =>
                `${left} of ${sizeName(nominalIn)} ${colourOf(colour)?.name ?? colour}`,
            )
            .join(', ')}
          .
        </Typography>
      )}
    </Box>
  );
}
