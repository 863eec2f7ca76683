import {
  type Pack,
  readNumber,
  type SizeEntry,
  type WorkshopRow,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { catalogueSizes, defaultPacks, knownSizes, sizeName, sizeOf } from '@early-lantern/core';
import {
  Button,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

/** `25 at 6.50, 100` as people type packs with their prices. */
function readPacks(text: string, nominalIn: number): Pack[] | undefined {
  const packs = text
    .split(/[,;]+/)
    .filter((part) => part.trim() !== '')
    .map((part): Pack | undefined => {
      const match = /^\s*(\d+)\s*(?:at\s*(\d+(?:\.\d+)?))?\s*$/.exec(part);
      if (!match || Number(match[1]) < 1) return undefined;
      const price = match[2] === undefined ? {} : { price: Number(match[2]) };
      return { nominalIn, count: Number(match[1]), ...price };
    });
  return packs.length > 0 && packs.every((pack) => pack !== undefined) ? (packs as Pack[]) : undefined;
}

const packText = ({ count, price }: Pack) => (price === undefined ? String(count) : `${count} at ${price}`);

const isListed = (nominalIn: number) => catalogueSizes.some((size) => size.nominalIn === nominalIn);

/** Sizes with their working range, mass, top-up and packs: the catalogue's until the business puts in its own. */
export function SizesPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { sizes: own = [], packs = [] } = row.data;
  const change = (nominalIn: number, edit: Partial<SizeEntry>) =>
    save((before) => {
      const { tag: _, ...entry } = sizeOf(nominalIn, before);
      return {
        sizes: [...(before.sizes ?? []).filter((one) => one.nominalIn !== nominalIn), { ...entry, ...edit }],
      };
    });
  const reset = (nominalIn: number) =>
    save((before) => ({
      sizes: (before.sizes ?? []).filter((one) => one.nominalIn !== nominalIn),
      packs: (before.packs ?? []).filter((one) => one.nominalIn !== nominalIn),
    }));
  const figure = (text: string, max: number, take: (value: number) => void) => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !(value >= 0 && value <= max)) return `0 to ${max}`;
    take(value);
    return undefined;
  };
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Sizes">
      <Typography variant="h2">Sizes and packs</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1 }}>
        Packs with their prices, if you like: 25 at 6.50, 100 at 21.
      </Typography>
      <TableContainer>
        <Table size="small" sx={{ '& td, & th': { px: 0.75 } }}>
          <TableHead>
            <TableRow>
              <TableCell>Size</TableCell>
              <TableCell align="right">Blow from, in.</TableCell>
              <TableCell align="right">to</TableCell>
              <TableCell align="right">Mass, g</TableCell>
              <TableCell align="right">Top-up, %</TableCell>
              <TableCell>Packs</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {knownSizes(row.data).map((nominalIn) => {
              const size = sizeOf(nominalIn, row.data);
              const ownPacks = packs.filter((pack) => pack.nominalIn === nominalIn && !pack.colour);
              const shownPacks = ownPacks.length
                ? ownPacks
                : defaultPacks.filter((pack) => pack.nominalIn === nominalIn);
              const isOwn = own.some((one) => one.nominalIn === nominalIn) || ownPacks.length > 0;
              const cell = (label: string, value: number, max: number, take: (value: number) => void) => (
                <CommitField
                  variant="standard"
                  value={String(value)}
                  onCommit={(text) => figure(text, max, take)}
                  slotProps={{
                    htmlInput: {
                      'aria-label': `${sizeName(nominalIn)}, ${label}`,
                      style: { textAlign: 'right' },
                    },
                  }}
                  sx={{ width: 52 }}
                />
              );
              return (
                <TableRow key={nominalIn} title={size.tag}>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{sizeName(nominalIn)}</TableCell>
                  <TableCell align="right">
                    {cell('blown from', size.blowIn.min, size.blowIn.max, (min) =>
                      change(nominalIn, { blowIn: { ...size.blowIn, min: Math.max(1, min) } }),
                    )}
                  </TableCell>
                  <TableCell align="right">
                    {cell('blown to', size.blowIn.max, nominalIn, (max) =>
                      change(nominalIn, { blowIn: { ...size.blowIn, max: Math.max(size.blowIn.min, max) } }),
                    )}
                  </TableCell>
                  <TableCell align="right">
                    {cell('mass', size.massG, 500, (massG) =>
                      change(nominalIn, { massG: Math.max(0.01, massG) }),
                    )}
                  </TableCell>
                  <TableCell align="right">
                    {cell('top-up', size.topUpPct, 100, (topUpPct) => change(nominalIn, { topUpPct }))}
                  </TableCell>
                  <TableCell>
                    <CommitField
                      variant="standard"
                      value={shownPacks.map(packText).join(', ')}
                      onCommit={(text) => {
                        const read = readPacks(text, nominalIn);
                        if (!read) return 'Like 25, 100 at 21';
                        save((before) => ({
                          packs: [
                            ...(before.packs ?? []).filter(
                              (one) => one.nominalIn !== nominalIn || one.colour,
                            ),
                            ...read,
                          ],
                        }));
                        return undefined;
                      }}
                      slotProps={{ htmlInput: { 'aria-label': `${sizeName(nominalIn)}, packs` } }}
                      sx={{ minWidth: 120 }}
                    />
                  </TableCell>
                  <TableCell>
                    {isOwn && (
                      <Button size="small" onClick={() => reset(nominalIn)}>
                        {isListed(nominalIn) ? 'Reset' : 'Delete'}
                      </Button>
                    )}
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
      <CommitField
        label="Add a size, in."
        value=""
        onCommit={(text) => {
          const nominalIn = readNumber(text);
          if (nominalIn === undefined || nominalIn < 2 || nominalIn > 72) return 'From 2 to 72';
          if (knownSizes(row.data).includes(nominalIn)) return 'It is there already';
          change(nominalIn, {});
          return undefined;
        }}
        sx={{ mt: 1.5, width: 160 }}
      />
    </Paper>
  );
}
