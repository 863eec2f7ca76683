import type { ColourId, Piece, ProductWant, StandIn } from '@early-lantern/contract';
import {
  arrivesOn,
  type BuyRow,
  countPieces,
  familyOf,
  madeRecipe,
  onShelf,
  type ProductNeed,
  sizeName,
  substitutes,
  wantedDay,
} from '@early-lantern/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { useMemo } from 'react';
import { useWants } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { useNotice } from '../parts/notices.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import { dateWords } from '../parts/time.ts';
import { colourOf } from './product-name.ts';

interface SubstituteDialogProps {
  row: BuyRow;
  /** Orders it from another supplier. */
  onOrder: (supplierId: string) => void;
  onClose: () => void;
}

/**
 * Ways round a product that is sold out or too late: another supplier, another size of its family, and other colours,
 * the closest first, with what each means for all coming jobs.
 */
export function SubstituteDialog({ row, onOrder, onClose }: SubstituteDialogProps) {
  const { product } = row;
  const { file, store } = useJob();
  const notify = useNotice();
  const { workshop } = file;
  const name = `${sizeName(product.nominalIn)} ${colourOf(workshop, product.colour).name.toLowerCase()}`;
  const found = useMemo(
    () => substitutes(product.nominalIn, product.colour, workshop, wantedDay(file)),
    [product, workshop, file],
  );
  const wants = useWants(product.nominalIn, product.colour);
  const wanting = wants.data?.filter(({ jobId }) => jobId !== file.job.id);
  const here = product.need + product.spare;
  const elsewhere = wanting?.reduce((sum, { count }) => sum + count, 0);
  const take = (useColour: ColourId) => {
    store.change((before) => ({
      ...before,
      pieces: before.pieces.map((piece) => standIn(piece, product, { way: 'other-colour', useColour })),
    }));
    notify({
      text: `${colourOf(workshop, useColour).name} used in place of ${name} in this job.`,
      undo: store.undo,
    });
    onClose();
  };
  const takeSize = (useIn: number) => {
    store.change((before) => ({
      ...before,
      pieces: before.pieces.map((piece) => {
        const need = madeRecipe(piece, workshop).needs.find(
          (one) => one.nominalIn === product.nominalIn && one.colour === product.colour,
        );
        return need
          ? standIn(piece, product, { way: 'other-size', useIn, inflatedIn: need.inflatedIn })
          : piece;
      }),
    }));
    notify({ text: `${sizeName(useIn)} used in place of ${name} in this job.`, undo: store.undo });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>In place of {name}</DialogTitle>
      <DialogContent>
        <Typography>
          This job needs {here}.{wanting && othersNeed(wanting)}
        </Typography>
        <OtherSuppliers
          row={row}
          onOrder={(id) => {
            onOrder(id);
            onClose();
          }}
        />
        <FamilySizes product={product} onTake={takeSize} />
        <Typography variant="h2" sx={{ mt: 2 }}>
          Other colours
        </Typography>
        <Box sx={{ overflowX: 'auto' }}>
          <Table size="small" aria-label="Alternatives">
            <TableHead>
              <TableRow>
                <TableCell>Instead</TableCell>
                <TableCell align="right">Difference</TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  Available
                </TableCell>
                <TableCell>For this job</TableCell>
                <TableCell>For all coming jobs</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {found.map((one) => {
                const colour = colourOf(workshop, one.colour);
                const left = one.available - ownWant(file, product.nominalIn, one.colour);
                return (
                  <TableRow key={one.colour} sx={one.isMade ? {} : { opacity: 0.75 }}>
                    <TableCell>
                      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                        <Swatch hex={colour.hex} /> {colour.name}
                      </Box>
                    </TableCell>
                    <TableCell align="right" title="CIEDE2000">
                      {one.difference.toFixed(1)}, {closeness(one.difference)}
                    </TableCell>
                    <TableCell align="right">{one.isMade ? Math.max(0, left) : 'not made'}</TableCell>
                    <TableCell>{one.isMade ? effect(left - here) : ''}</TableCell>
                    <TableCell>
                      {one.isMade && elsewhere !== undefined ? effect(left - here - elsewhere) : ''}
                    </TableCell>
                    <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                      <Button size="small" disabled={!one.isMade} onClick={() => take(one.colour)}>
                        Use it here
                      </Button>
                    </TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** Suppliers that bring it in time; whether they sell it is theirs to say. */
function OtherSuppliers({ row, onOrder }: { row: BuyRow; onOrder: (id: string) => void }) {
  const { workshop } = useJob().file;
  const today = DateTime.now().setZone(workshop.timeZone).toISODate() as string;
  const inTime = (workshop.suppliers ?? []).flatMap((one) => {
    const arrives = arrivesOn(today, one, workshop.open);
    return one.id !== row.supplier?.id && arrives && arrives <= row.wanted ? [{ ...one, arrives }] : [];
  });
  if (inTime.length === 0) return null;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        Other suppliers
      </Typography>
      {inTime.map(({ id, name, arrives }) => (
        <Box key={id} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ flexGrow: 1 }}>
            {name}: ordered today, here {dateWords(arrives)}. Ask whether they have it.
          </Typography>
          <Button size="small" onClick={() => onOrder(id)}>
            Mark as ordered from {name}
          </Button>
        </Box>
      ))}
    </>
  );
}

/** Other sizes that are blown to the same diameters, with what the shelf has of them. */
function FamilySizes({ product, onTake }: { product: ProductNeed; onTake: (useIn: number) => void }) {
  const { file } = useJob();
  const { workshop } = file;
  const made = workshop.colours.find(({ id }) => id === product.colour);
  const sizes = familyOf(product.nominalIn).filter(
    (size) => size !== product.nominalIn && (!made?.sizesIn || made.sizesIn.includes(size)),
  );
  if (sizes.length === 0) return null;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2 }}>
        Other sizes
      </Typography>
      {sizes.map((size) => (
        <Box key={size} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ flexGrow: 1 }}>
            {sizeName(size)}, blown to the same diameters:{' '}
            {onShelf(workshop.stock, { ...product, nominalIn: size })} on the shelf
          </Typography>
          <Button size="small" onClick={() => onTake(size)}>
            Use {sizeName(size)} here
          </Button>
        </Box>
      ))}
    </>
  );
}

const effect = (over: number) => (over >= 0 ? `enough, ${over} left` : `${-over} to be bought`);

const closeness = (difference: number) =>
  difference < 3 ? 'hardly seen' : difference < 10 ? 'close' : difference < 25 ? 'similar' : 'another colour';

/** What this job already takes of a product. */
function ownWant(file: Parameters<typeof countPieces>[0], nominalIn: number, colour: ColourId): number {
  return countPieces(file)
    .balloons.filter((row) => row.nominalIn === nominalIn && row.colour === colour)
    .reduce((sum, row) => sum + row.need - row.kept + row.spare, 0);
}

/** So many of the other jobs are named. */
const NAMED = 4;

/** What other jobs need, those with the earliest doors by name. */
function othersNeed(wanting: readonly ProductWant[]): string {
  if (wanting.length === 0) return ' No other coming job needs it.';
  const named = wanting.slice(0, NAMED).map(({ count, job }) => `${count} (${job})`);
  const rest = wanting.slice(NAMED);
  if (rest.length > 0) named.push(`${rest.reduce((sum, { count }) => sum + count, 0)} (${rest.length} more)`);
  return ` Other coming jobs need ${named.join(', ')}.`;
}

type Way =
  | Pick<Extract<StandIn, { way: 'other-colour' }>, 'way' | 'useColour'>
  | Pick<Extract<StandIn, { way: 'other-size' }>, 'way' | 'useIn' | 'inflatedIn'>;

/** A piece with something else used in place of a product, if it has the product at all. */
function standIn(piece: Piece, { nominalIn, colour }: ProductNeed, way: Way): Piece {
  if (!('grade' in piece) || !JSON.stringify(piece).includes(`"${colour}"`)) return piece;
  const others = (piece.standIns ?? []).filter((one) => one.nominalIn !== nominalIn || one.colour !== colour);
  return { ...piece, standIns: [...others, { ...way, nominalIn, colour }] };
}
