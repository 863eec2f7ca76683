import type { CrewRow, WorkshopRow } from '@early-lantern/contract';
import { Box, LinearProgress, Stack, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { NavLink, useParams } from 'react-router';
import { throwUnread, useCrew, useSettings } from '../api/queries.ts';
import { AccessPanel } from '../people/AccessPanel.tsx';
import { CalendarsPanel } from '../people/CalendarsPanel.tsx';
import { useMay } from '../people/me.ts';
import { PhonesPanel } from '../people/PhonesPanel.tsx';
import { TemplatesPanel } from '../templates/TemplatesPanel.tsx';
import { BackupPanel } from './BackupPanel.tsx';
import { BusinessPanel } from './BusinessPanel.tsx';
import { ColoursPanel } from './ColoursPanel.tsx';
import { CrewPanel } from './CrewPanel.tsx';
import { GearPanel } from './GearPanel.tsx';
import { HistoryPanel } from './HistoryPanel.tsx';
import { HoldsPanel } from './HoldsPanel.tsx';
import { KeptPanel } from './KeptPanel.tsx';
import { LastingPanel } from './LastingPanel.tsx';
import { LooksPanel } from './LooksPanel.tsx';
import { MaterialsPanel } from './MaterialsPanel.tsx';
import { MethodsPanel } from './MethodsPanel.tsx';
import { PeopleTable } from './PeopleTable.tsx';
import { PieceStepsPanel } from './PieceStepsPanel.tsx';
import { PlacePanel } from './PlacePanel.tsx';
import { type WorkshopPage, workshopPages } from './pages.ts';
import { RatesPanel } from './RatesPanel.tsx';
import { RideSizes } from './RideSizes.tsx';
import { SafetyPanel } from './SafetyPanel.tsx';
import { SchoolsDefaults } from './SchoolsDefaults.tsx';
import { SizesPanel } from './SizesPanel.tsx';
import { SuppliersPanel } from './SuppliersPanel.tsx';
import { VehicleRooms } from './VehicleRooms.tsx';

/** The business: its people and hours, its colours, its own pace. */
export function WorkshopScreen() {
  const settings = useSettings();
  const crew = useCrew();
  const { page } = useParams();
  const runsIt = useMay('run the workshop');
  throwUnread(settings, crew);
  if (!settings.data || !crew.data) return <LinearProgress aria-label="Opening the workshop" />;
  // Who may not change the workshop finds here what they may: helpers’ PINs and shared phones.
  const offered = workshopPages.filter(({ path }) => runsIt || path === 'access');
  const shown = offered.find(({ path }) => path === page)?.path ?? (runsIt ? 'house' : 'access');
  const columns = panelsOf(shown, settings.data, crew.data);
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        Workshop
      </Typography>
      <Stack
        component="nav"
        aria-label="Pages of the workshop"
        direction="row"
        sx={{ columnGap: { xs: 1.75, sm: 2.5 }, flexWrap: 'wrap', mb: 2 }}
      >
        {offered.map(({ path, label }) => (
          <Box
            key={path}
            component={NavLink}
            to={`/workshop/${path}`}
            className={path === shown ? 'active' : ''}
            sx={{
              color: 'text.secondary',
              fontWeight: 650,
              textDecoration: 'none',
              py: 0.75,
              borderBottom: '3px solid transparent',
              '&.active': { color: 'text.primary', borderColor: 'text.primary' },
            }}
          >
            {label}
          </Box>
        ))}
      </Stack>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            lg: columns.length > 1 ? 'minmax(0, 1fr) minmax(0, 1.1fr)' : 'minmax(0, 1160px)',
          },
          alignItems: 'start',
        }}
      >
        {columns.map(({ key, panels }) => (
          <Box key={key} sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)' }}>
            {panels}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

interface Column {
  key: string;
  panels: ReactNode;
}

function panelsOf(page: WorkshopPage, row: WorkshopRow, crew: CrewRow[]): Column[] {
  const column = (key: string, panels: ReactNode): Column => ({ key, panels });
  switch (page) {
    case 'house':
      return [
        column(
          'house',
          <>
            <BusinessPanel row={row} />
            <PlacePanel row={row} />
          </>,
        ),
        column(
          'kept',
          <>
            <BackupPanel />
            <KeptPanel row={row} />
          </>,
        ),
      ];
    case 'people':
      return [
        column(
          'crew',
          <>
            <CrewPanel rows={crew} />
            <PeopleTable rows={crew} />
          </>,
        ),
      ];
    case 'access':
      return [
        column(
          'access',
          <>
            <AccessPanel />
            <PhonesPanel />
            <CalendarsPanel crew={crew} />
          </>,
        ),
      ];
    case 'gear':
      // One wide column: what is counted here has many figures in a row.
      return [
        column(
          'gear',
          <>
            <GearPanel row={row} />
            <VehicleRooms row={row} />
            <RideSizes row={row} />
            <HoldsPanel row={row} />
          </>,
        ),
      ];
    case 'catalogue':
      return [
        column('colours', <ColoursPanel row={row} />),
        column(
          'buying',
          <>
            <SizesPanel row={row} />
            <SuppliersPanel row={row} />
            <MaterialsPanel row={row} />
          </>,
        ),
      ];
    case 'ways':
      return [
        column(
          'method',
          <>
            <SchoolsDefaults row={row} />
            <MethodsPanel row={row} />
          </>,
        ),
        column(
          'steps',
          <>
            <TemplatesPanel />
            <PieceStepsPanel row={row} />
          </>,
        ),
      ];
    case 'history':
      return [column('history', <HistoryPanel zone={row.data.timeZone} />)];
    case 'advanced':
      return [
        column('rates', <RatesPanel row={row} />),
        column(
          'figures',
          <>
            <SafetyPanel row={row} />
            <LooksPanel row={row} />
            <LastingPanel row={row} />
          </>,
        ),
      ];
  }
}
