import { createBrowserRouter, Navigate } from 'react-router';
import { HorizonScreen } from './horizon/HorizonScreen.tsx';
import { Frame } from './parts/Frame.tsx';
import { ErrorPage, ScreenError } from './parts/ScreenError.tsx';

/** The Horizon comes with the first load; every other screen when it is first opened. */
export const router = createBrowserRouter([
  // For whoever comes by a link, signed in or not.
  {
    path: 'join',
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    lazy: { Component: async () => (await import('./people/JoinScreen.tsx')).JoinScreen },
  },
  {
    path: 'look',
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    lazy: { Component: async () => (await import('./people/LookScreen.tsx')).LookScreen },
  },
  // For the crew at work: nothing above it, and what it needs is on the phone.
  {
    path: 'on-site',
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    lazy: { Component: async () => (await import('./on-site/OnSiteList.tsx')).OnSiteList },
  },
  {
    path: 'on-site/:jobId',
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    lazy: { Component: async () => (await import('./on-site/OnSiteScreen.tsx')).OnSiteScreen },
  },
  {
    path: 'on-site/:jobId/bench',
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    lazy: { Component: async () => (await import('./on-site/BoardScreen.tsx')).BoardScreen },
  },
  {
    Component: Frame,
    ErrorBoundary: ScreenError,
    HydrateFallback: () => null,
    children: [
      { index: true, Component: HorizonScreen, ErrorBoundary: ScreenError },
      {
        path: 'sites',
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./sites/SitesScreen.tsx')).SitesScreen },
      },
      {
        path: 'sites/:siteId',
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./sites/SiteScreen.tsx')).SiteScreen },
      },
      {
        path: 'stock',
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./stock/StockScreen.tsx')).StockScreen },
      },
      ...['workshop', 'workshop/:page'].map((path) => ({
        path,
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./workshop/WorkshopScreen.tsx')).WorkshopScreen },
      })),
      ...['help', 'help/:page'].map((path) => ({
        path,
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./help/HelpScreen.tsx')).HelpScreen },
      })),
      {
        path: 'days/:day',
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./day/DayScreen.tsx')).DayScreen },
      },
      {
        path: 'jobs/:jobId',
        ErrorBoundary: ScreenError,
        lazy: { Component: async () => (await import('./job/JobScreen.tsx')).JobScreen },
        children: [
          { index: true, element: <Navigate to="pieces" replace /> },
          {
            path: 'brief',
            lazy: { Component: async () => (await import('./brief/BriefScreen.tsx')).BriefScreen },
          },
          {
            path: 'pieces',
            lazy: { Component: async () => (await import('./pieces/PiecesScreen.tsx')).PiecesScreen },
          },
          {
            path: 'counts',
            lazy: { Component: async () => (await import('./counts/CountsScreen.tsx')).CountsScreen },
          },
          {
            path: 'holds',
            lazy: { Component: async () => (await import('./holds/HoldsScreen.tsx')).HoldsScreen },
          },
          {
            path: 'bench',
            lazy: { Component: async () => (await import('./bench/BenchScreen.tsx')).BenchScreen },
          },
          {
            path: 'load',
            lazy: { Component: async () => (await import('./load/LoadScreen.tsx')).LoadScreen },
          },
          {
            path: 'clock',
            lazy: { Component: async () => (await import('./clock/ClockScreen.tsx')).ClockScreen },
          },
          {
            path: 'run-sheet',
            lazy: { Component: async () => (await import('./run-sheet/RunSheetScreen.tsx')).RunSheetScreen },
          },
        ],
      },
      { path: '*', element: <ErrorPage error={new Error('There is no page at this address.')} /> },
    ],
  },
]);
