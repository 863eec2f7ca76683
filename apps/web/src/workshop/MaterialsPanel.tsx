import type { MaterialStock, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { materialItems } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  Paper,
  Switch,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { keys } from '../api/queries.ts';
import { fromShown, shownUnit, toShown } from '../parts/amounts.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';

/** Gear and consumables: the catalogue's, each with what is there, and the house's own. */
export function MaterialsPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { materials = [] } = row.data;
  const held = (item: string) => materials.find((one) => one.item === item);
  const put = (item: string, edit: Partial<MaterialStock> | undefined) =>
    save((before) => {
      const others = (before.materials ?? []).filter((one) => one.item !== item);
      const own = (before.materials ?? []).find((one) => one.item === item);
      return { materials: edit ? [...others, { item, onHand: 0, ...own, ...edit }] : others };
    });
  const { units } = useUnits();
  const count = (item: string, label: string, unit = '') => (
    <CommitField
      variant="standard"
      placeholder="not counted"
      value={held(item) === undefined ? '' : String(toShown(held(item)?.onHand ?? 0, unit, units))}
      onCommit={(text) => {
        const onHand = Number(text.replace(',', '.'));
        if (text.trim() === '') put(item, held(item)?.own ? { onHand: 0 } : undefined);
        else if (onHand >= 0) put(item, { onHand: fromShown(onHand, unit, units) });
        else return 'A count';
        return undefined;
      }}
      slotProps={{ htmlInput: { 'aria-label': `${label}, on hand`, style: { textAlign: 'right' } } }}
      sx={{ width: 92 }}
    />
  );
  const owns = materials.filter((one) => one.own);
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Gear and consumables">
      <Typography variant="h2">Gear and consumables</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1 }}>
        What is counted here is held against every job; empty a count and it is no longer judged.
      </Typography>
      {owns.map((one) => (
        <Box
          key={one.item}
          sx={{
            display: 'grid',
            gap: 1,
            gridTemplateColumns: '1.4fr 0.8fr auto auto auto',
            alignItems: 'center',
            mb: 1,
          }}
        >
          <CommitField
            label="Own thing"
            value={one.own?.label ?? ''}
            onCommit={(text) =>
              someName(text, (label) => one.own && put(one.item, { own: { ...one.own, label } }))
            }
          />
          <CommitField
            label="Counted in"
            value={one.own?.unit ?? ''}
            onCommit={(text) =>
              someName(text, (unit) => one.own && put(one.item, { own: { ...one.own, unit } }))
            }
          />
          {count(one.item, one.own?.label ?? one.item)}
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={one.own?.isGear ?? false}
                onChange={(event) =>
                  one.own && put(one.item, { own: { ...one.own, isGear: event.target.checked } })
                }
              />
            }
            label="comes back"
          />
          <IconButton aria-label={`Delete ${one.own?.label}`} onClick={() => put(one.item, undefined)}>
            <DeleteIcon />
          </IconButton>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        onClick={() =>
          put(newId('own'), { onHand: 1, own: { label: 'New thing', unit: 'pieces', isGear: true } })
        }
      >
        Add an item
      </Button>
      <TableContainer sx={{ maxHeight: 360, mt: 1 }}>
        <Table
          size="small"
          stickyHeader
          aria-label="Catalogue of gear and consumables"
          sx={{ '& td, & th': { px: 0.75 } }}
        >
          <TableHead>
            <TableRow>
              <TableCell>Thing</TableCell>
              <TableCell align="right">On hand</TableCell>
              <TableCell>After the job</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {materialItems.map(({ item, label, unit, isGear, tag }) => (
              <TableRow key={item}>
                <TableCell title={tag}>
                  {label}{' '}
                  <Typography component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
                    {shownUnit(unit, units)}
                  </Typography>
                </TableCell>
                <TableCell align="right">{count(item, label, unit)}</TableCell>
                <TableCell sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
                  {isGear ? 'comes back' : 'used up'}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </Paper>
  );
}
