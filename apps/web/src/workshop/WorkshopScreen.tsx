import { Box, LinearProgress, Typography } from '@mui/material';
import { useCrew, useSettings } from '../api/queries.ts';
import { ColoursPanel } from './ColoursPanel.tsx';
import { CrewPanel } from './CrewPanel.tsx';
import { GearPanel } from './GearPanel.tsx';
import { HoldsPanel } from './HoldsPanel.tsx';
import { LastingPanel } from './LastingPanel.tsx';
import { MaterialsPanel } from './MaterialsPanel.tsx';
import { MethodsPanel } from './MethodsPanel.tsx';
import { PieceStepsPanel } from './PieceStepsPanel.tsx';
import { PlacePanel } from './PlacePanel.tsx';
import { RatesPanel } from './RatesPanel.tsx';
import { SchoolsDefaults } from './SchoolsDefaults.tsx';
import { SettingsPanel } from './SettingsPanel.tsx';
import { SizesPanel } from './SizesPanel.tsx';
import { SuppliersPanel } from './SuppliersPanel.tsx';

/** The business: its people and hours, its colours, its own pace. */
export function WorkshopScreen() {
  const settings = useSettings();
  const crew = useCrew();
  const failure = settings.error ?? crew.error;
  if (failure) throw failure;
  if (!settings.data || !crew.data) return <LinearProgress aria-label="Opening the workshop" />;
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        Workshop
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1.1fr)' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)' }}>
          <SettingsPanel row={settings.data} />
          <SchoolsDefaults row={settings.data} />
          <CrewPanel rows={crew.data} />
          <GearPanel row={settings.data} />
          <PlacePanel row={settings.data} />
          <HoldsPanel row={settings.data} />
          <LastingPanel row={settings.data} />
          <MethodsPanel row={settings.data} />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)' }}>
          <ColoursPanel row={settings.data} />
          <SizesPanel row={settings.data} />
          <SuppliersPanel row={settings.data} />
          <MaterialsPanel row={settings.data} />
          <RatesPanel row={settings.data} />
          <PieceStepsPanel row={settings.data} />
        </Box>
      </Box>
    </Box>
  );
}
