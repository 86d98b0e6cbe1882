import { createBrowserRouter, Navigate } from 'react-router'
import type { ComponentType } from 'react'
import { screenOf } from '../parts/late-part/index.ts'
import { Loading } from '../parts/loading/index.ts'
import { PageError } from '../parts/safe-part/index.ts'
import { Shell } from './shell/index.ts'

const screen = (load: () => Promise<ComponentType>) => async () => ({ Component: await screenOf('This page', load) })

/** While the screen of an address is loaded for the first time. */
const Opening = () => <Loading page />

/** Every screen is loaded when it is first opened. */
export const router = createBrowserRouter([
  {
    path: '/sign-in',
    HydrateFallback: Opening,
    lazy: screen(async () => (await import('../features/sign-in/index.ts')).SignIn),
  },
  {
    path: '/welcome/:token',
    HydrateFallback: Opening,
    lazy: screen(async () => (await import('../features/welcome/index.ts')).Welcome),
  },
  {
    path: '/quote/:token',
    HydrateFallback: Opening,
    lazy: screen(async () => (await import('../features/quote/index.ts')).AnswerScreen),
  },
  {
    element: <Shell />,
    children: [
      {
        ErrorBoundary: PageError,
        HydrateFallback: Opening,
        children: [
          { index: true, element: <Navigate to="/machines" replace /> },
          {
            path: 'machines',
            lazy: screen(async () => (await import('../features/machine-list/index.ts')).MachineList),
          },
          {
            path: 'machines/new',
            lazy: screen(async () => (await import('../features/register/index.ts')).NewMachine),
          },
          {
            path: 'machines/:id',
            lazy: screen(async () => (await import('../features/machine/index.ts')).MachineScreen),
          },
          { path: 'jobs', lazy: screen(async () => (await import('../features/job/index.ts')).JobsScreen) },
          {
            path: 'reports',
            lazy: screen(async () => (await import('../features/reports/index.ts')).ReportsScreen),
          },
          {
            path: 'account',
            lazy: screen(async () => (await import('../features/account/index.ts')).AccountScreen),
          },
          {
            path: 'stock',
            lazy: screen(async () => (await import('../features/stock/index.ts')).StockScreen),
          },
          {
            path: 'stock/labels',
            lazy: screen(async () => (await import('../features/stock/index.ts')).LabelsScreen),
          },
          {
            path: 'stock/:id',
            lazy: screen(async () => (await import('../features/stock/index.ts')).ItemScreen),
          },
          {
            path: 's/:code',
            lazy: screen(async () => (await import('../features/stock/index.ts')).ScannedItem),
          },
          {
            path: 'machines/:id/jobs/new',
            lazy: screen(async () => (await import('../features/job/index.ts')).NewJob),
          },
          {
            path: 'machines/:id/jobs/:jobId',
            lazy: screen(async () => (await import('../features/job/index.ts')).JobScreen),
          },
          {
            path: 'machines/:id/trace',
            lazy: screen(async () => (await import('../features/trace/index.ts')).StartTrace),
          },
          {
            path: 'machines/:id/trace/:traceId',
            lazy: screen(async () => (await import('../features/trace/index.ts')).TraceScreen),
          },
          {
            path: 'machines/:id/edit',
            lazy: screen(async () => (await import('../features/register/index.ts')).EditMachine),
          },
          {
            path: 'machines/:id/motor',
            lazy: screen(async () => (await import('../features/register/index.ts')).InstallMotor),
          },
          {
            path: 'machines/:id/drive',
            lazy: screen(async () => (await import('../features/drive-train/index.ts')).DriveTrainScreen),
          },
          {
            path: 'machines/:id/wiring',
            lazy: screen(async () => (await import('../features/wiring/index.ts')).WiringScreen),
          },
          {
            path: 'machines/:id/vfd',
            lazy: screen(async () => (await import('../features/vfd/index.ts')).VfdScreen),
          },
          {
            path: 'machines/:id/vfd/sheet',
            lazy: screen(async () => (await import('../features/vfd/index.ts')).CommissioningScreen),
          },
          {
            path: 'machines/:id/live',
            lazy: screen(async () => (await import('../features/live/index.ts')).LiveScreen),
          },
          {
            path: 'live',
            lazy: screen(async () => (await import('../features/live/index.ts')).SourcesScreen),
          },
          {
            path: 'areas/:id/air',
            lazy: screen(async () => (await import('../features/area-air/index.ts')).AreaAirScreen),
          },
          {
            path: 'areas/:id/map',
            lazy: screen(async () => (await import('../features/roof-map/index.ts')).RoofMapScreen),
          },
          {
            path: 'rounds',
            lazy: screen(async () => (await import('../features/round/rounds-screen.tsx')).RoundsScreen),
          },
          {
            path: 'rounds/new',
            lazy: screen(async () => (await import('../features/round/new-round.tsx')).NewRound),
          },
          {
            path: 'rounds/:id',
            lazy: screen(async () => (await import('../features/round/round-screen.tsx')).RoundScreen),
          },
          {
            path: 'rounds/:id/prepare',
            lazy: screen(async () => (await import('../features/round/prepare-screen.tsx')).PrepareScreen),
          },
          { path: 'tags', lazy: screen(async () => (await import('../features/tags/index.ts')).TagsScreen) },
          {
            path: 'phone',
            lazy: screen(async () => (await import('../features/phone/index.ts')).PhoneScreen),
          },
          { path: 'places', lazy: screen(async () => (await import('../features/register/index.ts')).Places) },
          {
            path: 'calculators',
            lazy: screen(async () => (await import('../features/calculators/index.ts')).Calculators),
          },
          {
            path: 'speed-change',
            lazy: screen(async () => (await import('../features/speed-change/index.ts')).SpeedChangeScreen),
          },
          {
            path: 'calculators/:id',
            lazy: screen(async () => (await import('../features/calculators/index.ts')).CalculatorScreen),
          },
          {
            path: 'import-export',
            lazy: screen(async () => (await import('../features/import-export/index.ts')).ImportExport),
          },
          {
            path: 'limits',
            lazy: screen(async () => (await import('../features/limits/index.ts')).LimitsScreen),
          },
          {
            path: 'start',
            lazy: screen(async () => (await import('../features/first-run/index.ts')).FirstRun),
          },
          { path: 'keys', lazy: screen(async () => (await import('../features/keys/index.ts')).Keys) },
          { path: 'm/*', lazy: screen(async () => (await import('../features/finder/index.ts')).ScannedTag) },
          { path: '*', lazy: screen(async () => (await import('../features/finder/index.ts')).NoSuchPage) },
        ],
      },
    ],
  },
  {
    element: <Shell bare />,
    ErrorBoundary: PageError,
    HydrateFallback: Opening,
    children: [
      {
        path: 'machines/:id/visit',
        lazy: screen(async () => (await import('../features/visit/index.ts')).VisitScreen),
      },
      {
        path: 'rounds/:id/walk',
        lazy: screen(async () => (await import('../features/round/walk-screen.tsx')).WalkScreen),
      },
    ],
  },
])
