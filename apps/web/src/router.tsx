import { createBrowserRouter, Navigate } from 'react-router';
import { BriefScreen } from './brief/BriefScreen.tsx';
import { ClockScreen } from './clock/ClockScreen.tsx';
import { CountsScreen } from './counts/CountsScreen.tsx';
import { HorizonScreen } from './horizon/HorizonScreen.tsx';
import { JobScreen } from './job/JobScreen.tsx';
import { Frame } from './parts/Frame.tsx';
import { ErrorPage, ScreenError } from './parts/ScreenError.tsx';
import { PiecesScreen } from './pieces/PiecesScreen.tsx';
import { RunSheetScreen } from './run-sheet/RunSheetScreen.tsx';
import { SitesScreen } from './sites/SitesScreen.tsx';
import { WorkshopScreen } from './workshop/WorkshopScreen.tsx';

export const router = createBrowserRouter([
  {
    Component: Frame,
    ErrorBoundary: ScreenError,
    children: [
      { index: true, Component: HorizonScreen, ErrorBoundary: ScreenError },
      { path: 'sites', Component: SitesScreen, ErrorBoundary: ScreenError },
      { path: 'workshop', Component: WorkshopScreen, ErrorBoundary: ScreenError },
      {
        path: 'jobs/:jobId',
        Component: JobScreen,
        ErrorBoundary: ScreenError,
        children: [
          { index: true, element: <Navigate to="pieces" replace /> },
          { path: 'brief', Component: BriefScreen },
          { path: 'pieces', Component: PiecesScreen },
          { path: 'counts', Component: CountsScreen },
          { path: 'clock', Component: ClockScreen },
          { path: 'run-sheet', Component: RunSheetScreen },
        ],
      },
      { path: '*', element: <ErrorPage error={new Error('There is no page at this address.')} /> },
    ],
  },
]);
