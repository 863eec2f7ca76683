import type { ColourId, Piece, StandIn } from '@early-lantern/contract';
import { comesIn, rawNeedsOf, sizeName } from '@early-lantern/core';
import MoreIcon from '@mui/icons-material/MoreHoriz';
import { IconButton, ListSubheader, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { useNotice } from '../parts/notices.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import { stillOffered } from '../parts/still-offered.ts';
import { colourOf } from './product-name.ts';

/** What can be done to all balloons of a product: put inside another colour, or given another colour. */
export function ProductMenu({ nominalIn, colour }: { nominalIn: number; colour: ColourId }) {
  const { file, store } = useJob();
  const { workshop } = file;
  const notify = useNotice();
  const [anchor, setAnchor] = useState<HTMLElement>();
  const name = `${sizeName(nominalIn)} ${colourOf(workshop, colour).name}`;
  const others = stillOffered(workshop.colours).filter(
    (one) => one.id !== colour && comesIn(one, nominalIn, workshop),
  );
  const hasIt = (piece: Piece) =>
    rawNeedsOf(piece, workshop.schools).some(
      (need) => need.nominalIn === nominalIn && need.colour === colour,
    );
  const take = (way: StandIn, words: string) => {
    setAnchor(undefined);
    store.change((before) => ({
      ...before,
      pieces: before.pieces.map((piece): Piece => {
        if (!('grade' in piece) || !hasIt(piece)) return piece;
        const kept = (piece.standIns ?? []).filter(
          (one) => one.nominalIn !== nominalIn || one.colour !== colour,
        );
        return { ...piece, standIns: [...kept, way] };
      }),
    }));
    notify({ text: `${name}: ${words}.`, undo: store.undo });
  };
  const product = { nominalIn, colour };
  // What is itself used in place of another is changed there.
  if (!file.job.pieces.some(hasIt)) return null;
  return (
    <>
      <IconButton
        size="small"
        aria-label={`Change ${name}`}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <MoreIcon fontSize="small" />
      </IconButton>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        <ListSubheader>Double-stuff inside</ListSubheader>
        {others.map((other) => (
          <MenuItem
            key={`in-${other.id}`}
            sx={{ gap: 1 }}
            onClick={() =>
              take(
                { way: 'stuffed', ...product, outerColour: other.id, innerIn: nominalIn },
                `double-stuffed inside ${other.name}`,
              )
            }
          >
            <Swatch hex={other.hex} /> {other.name}
          </MenuItem>
        ))}
        <ListSubheader>Use instead</ListSubheader>
        {others.map((other) => (
          <MenuItem
            key={`as-${other.id}`}
            sx={{ gap: 1 }}
            onClick={() =>
              take({ way: 'other-colour', ...product, useColour: other.id }, `${other.name} instead`)
            }
          >
            <Swatch hex={other.hex} /> {other.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
