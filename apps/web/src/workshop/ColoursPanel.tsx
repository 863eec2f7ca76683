import { type Colour, Finish, Grade, type WorkshopRow, type WorkshopSettings } from '@early-lantern/contract';
import { knownSizes, productLoss, sizeName } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import ArchiveIcon from '@mui/icons-material/ArchiveOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import UnarchiveIcon from '@mui/icons-material/UnarchiveOutlined';
import {
  Accordion,
  AccordionDetails,
  AccordionSummary,
  Box,
  Button,
  Chip,
  IconButton,
  MenuItem,
  Paper,
  Stack,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { keys } from '../api/queries.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { Swatch } from '../parts/Swatch.tsx';
import { stillOffered } from '../parts/still-offered.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';

/** The catalogue of colours: shade, finish, sizes, quality, losses, supplier. */
export function ColoursPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const [open, setOpen] = useState<string>();
  const { colours, suppliers = [] } = row.data;
  /** A key set to undefined is left out: the figure of the catalogue holds again. */
  const change = (id: string, edit: { [K in keyof Colour]?: Colour[K] | undefined }) =>
    save((before) => ({
      colours: before.colours.map((one) => (one.id === id ? ({ ...one, ...edit } as Colour) : one)),
    }));
  const add = () => {
    const id = newId('colour');
    save((before) => ({ colours: [...before.colours, { id, name: 'New colour', hex: '#b7a6c4' }] }));
    setOpen(id);
  };
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Colours">
      <Stack direction="row" sx={{ alignItems: 'center', mb: 1 }}>
        <Typography variant="h2" sx={{ flexGrow: 1 }}>
          Colours
        </Typography>
        <Button startIcon={<AddIcon />} onClick={add}>
          Add a colour
        </Button>
      </Stack>
      {[...stillOffered(colours), ...colours.filter(({ isArchived }) => isArchived)].map((colour) => (
        <Accordion
          key={colour.id}
          disableGutters
          variant="outlined"
          expanded={open === colour.id}
          onChange={(_, next) => setOpen(next ? colour.id : undefined)}
          sx={{ bgcolor: 'transparent' }}
        >
          <AccordionSummary expandIcon={<ExpandMoreIcon />}>
            <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
              <Swatch hex={colour.hex} />
              <Typography sx={{ fontWeight: 650 }}>{colour.name}</Typography>
              <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>{summary(colour)}</Typography>
            </Stack>
          </AccordionSummary>
          <AccordionDetails>
            {open === colour.id && (
              <ColourForm
                colour={colour}
                suppliers={suppliers}
                sizes={knownSizes(row.data)}
                isLast={colours.length === 1}
                onChange={(edit) => change(colour.id, edit)}
                onRemove={() =>
                  save((before) => ({
                    colours: before.colours.filter((one) => one.id !== colour.id),
                    stock: before.stock.filter((held) => held.colour !== colour.id),
                  }))
                }
              />
            )}
          </AccordionDetails>
        </Accordion>
      ))}
    </Paper>
  );
}

function summary({ finish, sizesIn, lossPct, isArchived }: Colour): string {
  const parts = [
    isArchived && 'archived: not offered for new pieces',
    finish,
    sizesIn && `only ${sizesIn.map(sizeName).join(', ')}`,
    lossPct !== undefined && `${lossPct} % lost`,
  ];
  return parts.filter(Boolean).join(' · ');
}

interface ColourFormProps {
  colour: Colour;
  suppliers: NonNullable<WorkshopSettings['suppliers']>;
  /** Every size there is, inches. */
  sizes: number[];
  isLast: boolean;
  onChange: (edit: { [K in keyof Colour]?: Colour[K] | undefined }) => void;
  onRemove: () => void;
}

const NONE = 'none';

function ColourForm({ colour, suppliers, sizes, isLast, onChange, onRemove }: ColourFormProps) {
  const { tempNumber, tempUnit } = useUnits();
  const { loss, tag } = productLoss(colour, 'professional');
  const made = colour.sizesIn ?? sizes;
  const toggle = (size: number) => {
    const next = made.includes(size)
      ? made.filter((one) => one !== size)
      : [...made, size].sort((a, b) => a - b);
    onChange({ sizesIn: next.length === sizes.length || next.length === 0 ? undefined : next });
  };
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
        <Box
          component="input"
          type="color"
          aria-label={`${colour.name}, shade`}
          key={colour.hex}
          defaultValue={colour.hex}
          onBlur={(event: React.FocusEvent<HTMLInputElement>) => {
            const hex = event.target.value.toLowerCase();
            if (hex !== colour.hex) onChange({ hex });
          }}
          sx={{ width: 44, height: 36, p: 0, border: 0, bgcolor: 'transparent' }}
        />
        <CommitField
          fullWidth
          label="Colour"
          value={colour.name}
          onCommit={(text) => someName(text, (name) => onChange({ name }))}
        />
        <Tooltip
          title={
            colour.isArchived ? 'Offer it again' : 'Archive: kept on its pieces, not offered for new ones'
          }
        >
          <span>
            <IconButton
              aria-label={`${colour.isArchived ? 'Offer' : 'Archive'} ${colour.name}`}
              disabled={isLast}
              onClick={() => onChange({ isArchived: colour.isArchived ? undefined : true })}
            >
              {colour.isArchived ? <UnarchiveIcon /> : <ArchiveIcon />}
            </IconButton>
          </span>
        </Tooltip>
        <IconButton aria-label={`Delete ${colour.name}`} disabled={isLast} onClick={onRemove}>
          <DeleteIcon />
        </IconButton>
      </Stack>
      <Box>
        <Typography sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>Made in</Typography>
        <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap' }}>
          {sizes.map((size) => (
            <Chip
              key={size}
              size="small"
              label={sizeName(size)}
              variant={made.includes(size) ? 'filled' : 'outlined'}
              color={made.includes(size) ? 'primary' : 'default'}
              aria-pressed={made.includes(size)}
              onClick={() => toggle(size)}
            />
          ))}
        </Stack>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
        <TextField
          select
          label="Finish"
          value={colour.finish ?? NONE}
          onChange={(event) =>
            onChange({ finish: event.target.value === NONE ? undefined : Finish.parse(event.target.value) })
          }
        >
          <MenuItem value={NONE}>not said</MenuItem>
          {Finish.options.map((finish) => (
            <MenuItem key={finish} value={finish}>
              {finish}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Quality"
          value={colour.grade ?? NONE}
          onChange={(event) =>
            onChange({ grade: event.target.value === NONE ? undefined : Grade.parse(event.target.value) })
          }
        >
          <MenuItem value={NONE}>as the piece says</MenuItem>
          {Grade.options.map((grade) => (
            <MenuItem key={grade} value={grade}>
              {grade}
            </MenuItem>
          ))}
        </TextField>
        <CommitField
          label="Lost in making, %"
          value={colour.lossPct === undefined ? '' : String(colour.lossPct)}
          helperText={
            colour.lossPct === undefined ? `${loss * 100} %: ${tag}` : 'your own; empty it to reset'
          }
          onCommit={(text) => {
            const lossPct = Number(text.replace(',', '.'));
            if (text.trim() === '') onChange({ lossPct: undefined });
            else if (lossPct >= 0 && lossPct <= 60) onChange({ lossPct });
            else return 'From 0 to 60';
            return undefined;
          }}
        />
        <TextField
          select
          label="Supplier"
          value={colour.supplierId ?? NONE}
          onChange={(event) =>
            onChange({ supplierId: event.target.value === NONE ? undefined : event.target.value })
          }
        >
          <MenuItem value={NONE}>any</MenuItem>
          {suppliers.map((supplier) => (
            <MenuItem key={supplier.id} value={supplier.id}>
              {supplier.name}
            </MenuItem>
          ))}
        </TextField>
        <CommitField
          label="Measured L* a* b*"
          placeholder="from the shade"
          value={colour.lab ? `${colour.lab.l} ${colour.lab.a} ${colour.lab.b}` : ''}
          onCommit={(text) => {
            const [l, a, b] = text
              .trim()
              .split(/[\s,;]+/)
              .map(Number) as [number, number, number];
            if (text.trim() === '') onChange({ lab: undefined });
            else if ([l, a, b].every((value) => Math.abs(value) <= 128) && l >= 0 && l <= 100)
              onChange({ lab: { l, a, b } });
            else return 'Three figures, like 43 −21 −9';
            return undefined;
          }}
        />
        <CommitField
          label="In sun, heat and time"
          value={colour.exposure ?? ''}
          onCommit={(exposure) => void onChange({ exposure: exposure || undefined }) as undefined}
        />
        <CommitField
          label={`Fails in the sun above, ${tempUnit}`}
          value={colour.failsAboveC === undefined ? '' : String(Math.round(tempNumber(colour.failsAboveC)))}
          helperText="Blank = as latex usually does"
          onCommit={(text) => {
            const typed = Number(text.replace(',', '.'));
            const failsAboveC = tempUnit === '°F' ? (typed - 32) / 1.8 : typed;
            if (text.trim() === '') onChange({ failsAboveC: undefined });
            else if (failsAboveC >= 15 && failsAboveC <= 60) onChange({ failsAboveC });
            else return 'Type an air temperature';
            return undefined;
          }}
        />
      </Box>
    </Stack>
  );
}
