import type { HoldPiece } from '@early-lantern/contract';
import { heldAt } from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, Paper, Typography } from '@mui/material';
import { useState } from 'react';
import { GroundMap } from '../ground/GroundMap.tsx';
import { useJob } from '../job/context.ts';
import { PrintHead } from '../parts/PrintHead.tsx';
import { WorkingList } from '../parts/WorkingList.tsx';
import { useUnits } from '../preferences.tsx';
import { AskFirst } from './AskFirst.tsx';
import { FactorBar } from './FactorBar.tsx';
import { FixingMap } from './FixingMap.tsx';
import { GustSlider } from './GustSlider.tsx';
import { HoldFields } from './HoldFields.tsx';
import { PointTable } from './PointTable.tsx';

/** Every piece at the gust looked at; the chosen one with its fixing map, what it stands on, and its working. */
export function FixingView() {
  const { planned, document, file } = useJob();
  const { wind } = useUnits();
  const [chosenId, setChosenId] = useState<string>();
  const [gust, setGust] = useState<number>();
  const holds = planned?.plan.holds;
  if (!holds) return null;
  const gustMs = gust ?? holds.gustMs;
  const sorted = [...holds.pieces].sort((a, b) => marginAt(a, gustMs) - marginAt(b, gustMs));
  const held = holds.pieces.find((one) => one.id === chosenId) ?? sorted[0];
  const piece = document.pieces.find((one) => one.id === held?.id);
  const spot = file.site.spots.find((one) => one.id === piece?.spotId);
  if (!held || !piece || !spot) return null;
  const onSpot = new Set(document.pieces.filter(({ spotId }) => spotId === spot.id).map(({ id }) => id));
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '360px minmax(0, 1fr)' },
        alignItems: 'start',
        '@media print': { display: 'block' },
      }}
    >
      <Paper variant="outlined" className="no-print" sx={{ p: 2, display: 'grid', gap: 1.5 }}>
        <GustSlider
          gustMs={gustMs}
          planned={holds.gustMs}
          source={holds.gustSource}
          isOutdoors={holds.isOutdoors}
          onLook={setGust}
        />
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 0.5 }}>
          {holds.pieces.map((one) => (
            <li key={one.id}>
              <FactorBar
                held={one}
                gustMs={gustMs}
                isChosen={one.id === held.id}
                onChoose={() => setChosenId(one.id)}
              />
            </li>
          ))}
        </Box>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          No engineer's certificate: large, occupied or public-way structures need one. Local code prevails.
        </Typography>
      </Paper>
      <Paper variant="outlined" className="holds-print" sx={{ p: 2, display: 'grid', gap: 1.5, minWidth: 0 }}>
        <PrintHead what="Fixing map" />
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
          <Typography variant="h2" sx={{ fontSize: 22 }}>
            {held.name}
          </Typography>
          <Typography sx={{ color: 'text.secondary', flexGrow: 1, flexBasis: 0, minWidth: 200 }}>
            {held.carrier}
          </Typography>
          <Button
            className="no-print"
            size="small"
            variant="outlined"
            startIcon={<PrintIcon />}
            onClick={() => window.print()}
          >
            Print the map
          </Button>
        </Box>
        {held.unasked.length > 0 && (
          <Typography role="note" sx={{ borderLeft: 4, borderColor: 'text.primary', pl: 1.25 }}>
            Not known yet: <AskFirst held={held} />
          </Typography>
        )}
        {held.takeDownGustMs !== null && held.isOutdoors && (
          <Typography>
            Watch at <strong>{wind(held.watchGustMs ?? 0)}</strong>, lower at{' '}
            <strong>{wind(held.lowerGustMs ?? 0)}</strong>, take down at{' '}
            <strong>{wind(held.takeDownGustMs)}</strong>; at {wind(held.limitGustMs ?? 0)} it is at its limit.
          </Typography>
        )}
        {held.troubles.map((trouble) => (
          <Typography
            key={trouble}
            role="note"
            sx={{ borderLeft: 4, borderColor: 'var(--mui-palette-out)', pl: 1.25, fontWeight: 600 }}
          >
            {trouble}
          </Typography>
        ))}
        {held.risks.map((risk) => (
          <Typography key={risk} role="note" sx={{ borderLeft: 4, borderColor: 'text.primary', pl: 1.25 }}>
            {risk}
          </Typography>
        ))}
        <FixingMap key={piece.id} piece={piece} spot={spot} held={held} gustMs={gustMs} />
        {held.ground.some(({ what }) => what === 'base') && (
          <GroundMap
            key={`ground-${piece.id}`}
            spot={spot}
            held={held}
            all={holds.pieces.filter(({ id }) => onSpot.has(id))}
          />
        )}
        <Box
          className="no-print"
          sx={{
            display: 'grid',
            gap: 2,
            gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' },
            alignItems: 'start',
          }}
        >
          <HoldFields key={piece.id} piece={piece} held={held} />
          <Box sx={{ minWidth: 0 }}>
            {[...(held.weakest ? [held.weakest.follows] : []), ...held.notes].map((note) => (
              <Typography
                key={note}
                sx={{ fontSize: 14, borderLeft: 3, borderColor: 'divider', pl: 1.25, mb: 1 }}
              >
                {note}
              </Typography>
            ))}
            <WorkingList working={(whole) => whole.holds.pieces.find(({ id }) => id === held.id)?.working} />
          </Box>
        </Box>
        {held.points.length > 0 && <PointTable held={held} gustMs={gustMs} />}
      </Paper>
    </Box>
  );
}

function marginAt(held: HoldPiece, gustMs: number): number {
  const now = heldAt(held, gustMs);
  return held.troubles.length ? 0 : now ? now.factor / now.required : Infinity;
}
