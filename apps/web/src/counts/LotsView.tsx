import {
  Box,
  Button,
  Paper,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useMemo } from 'react';
import { type LabelledLot, LotLabels } from '../cards/LotLabels.tsx';
import { labelSheets } from '../cards/label.tsx';
import { useJob } from '../job/context.ts';
import { blownWords } from '../parts/blown-words.ts';
import { familyNotes } from '../parts/family-notes.ts';
import { useNotice } from '../parts/notices.tsx';
import { paperFor, saveAsPdf, saveAsSvg } from '../parts/save-drawing.ts';
import { shortDay } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { ProductName } from './ProductName.tsx';

/** What each person inflates in one go, and the labels for the pre-counted bags. */
export function LotsView() {
  const { planned, file } = useJob();
  const { range, units } = useUnits();
  const notify = useNotice();
  const pieces = planned?.plan.pieces;
  const lots = useMemo<LabelledLot[]>(
    () => (pieces ?? []).flatMap((piece) => piece.lots.map((lot) => ({ ...lot, piece: piece.name }))),
    [pieces],
  );
  const { colours } = file.workshop;
  const notes = planned ? familyNotes(planned.plan.totals.balloons, file) : [];
  const anyKept = lots.some(({ kept }) => kept > 0);
  const paper = paperFor(units);
  const sheets = labelSheets(lots, paper);
  const whose = {
    job: file.job.name,
    place: file.site.name,
    day: shortDay(file.job.doors, file.workshop.timeZone),
  };
  const failed = (error: Error) => notify({ text: `Not made: ${error.message}` });
  const cards = () =>
    sheets.map((sheet) => <LotLabels key={sheet[0]?.id} lots={sheet} colours={colours} whose={whose} />);
  const saveSvgs = async () => {
    for (const [i, card] of cards().entries()) await saveAsSvg(`labels ${file.job.name} ${i + 1}`, card);
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 500px' },
        alignItems: 'start',
      }}
    >
      <Stack spacing={2} sx={{ minWidth: 0 }}>
        {notes.length > 0 && (
          <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Of a neighbouring size">
            <Typography variant="h2">Of a neighbouring size</Typography>
            {notes.map((note) => (
              <Typography key={note}>{note}</Typography>
            ))}
          </Paper>
        )}
        <TableContainer component={Paper} variant="outlined">
          <Table
            size="small"
            aria-label="Lots"
            sx={{ '& td, & th': { px: 1 }, '& td:first-of-type, & th:first-of-type': { pl: 2 } }}
          >
            <TableHead>
              <TableRow>
                <TableCell>Lot</TableCell>
                <TableCell>Balloon</TableCell>
                <TableCell>Blow to</TableCell>
                <TableCell align="right">Hang</TableCell>
                {anyKept && <TableCell align="right">Kept</TableCell>}
                <TableCell align="right">Spare</TableCell>
                <TableCell>Into</TableCell>
                <TableCell>Bags</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {lots.map((lot, i) => {
                const isFirst = lot.piece !== lots[i - 1]?.piece;
                return [
                  isFirst && (
                    <TableRow
                      key={`piece-${lot.id}`}
                      sx={{ '& th': { bgcolor: 'background.default', fontWeight: 700 } }}
                    >
                      <TableCell component="th" scope="rowgroup" colSpan={anyKept ? 8 : 7}>
                        {lot.piece}
                      </TableCell>
                    </TableRow>
                  ),
                  <TableRow key={lot.id}>
                    <TableCell sx={{ fontWeight: 700 }}>{lot.id}</TableCell>
                    <TableCell>
                      <ProductName nominalIn={lot.nominalIn} colour={lot.colour} />
                    </TableCell>
                    <TableCell sx={{ whiteSpace: 'nowrap' }}>
                      {blownWords(lot, lot.blowToIn, range)}
                    </TableCell>
                    <TableCell align="right">{lot.count}</TableCell>
                    {anyKept && <TableCell align="right">{lot.kept || ''}</TableCell>}
                    <TableCell align="right">{lot.spare}</TableCell>
                    <TableCell>{lot.cluster}</TableCell>
                    <TableCell>
                      {lot.bags.length === 1
                        ? lot.bags[0]
                        : // Each bag stays on one line.
                          lot.bags.map((bag, b) => `${bag}:\u00a0${lot.perSection[b]}`).join(', ')}
                    </TableCell>
                  </TableRow>,
                ];
              })}
            </TableBody>
          </Table>
        </TableContainer>
      </Stack>
      <Paper variant="outlined" sx={{ p: 1.25 }}>
        <Stack direction="row" sx={{ gap: 1, mb: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography variant="h2" sx={{ flexGrow: 1 }}>
            {lots.length} labels
          </Typography>
          <Button
            size="small"
            variant="outlined"
            onClick={() => void saveAsPdf(`labels ${file.job.name}`, cards(), paper).catch(failed)}
          >
            Save as PDF
          </Button>
          <Button size="small" variant="outlined" onClick={() => void saveSvgs().catch(failed)}>
            Save as SVG
          </Button>
        </Stack>
        <Box sx={{ display: 'grid', gap: 1, '& svg': { width: '100%', height: 'auto' } }}>{cards()}</Box>
      </Paper>
    </Box>
  );
}
