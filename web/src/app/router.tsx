import { createBrowserRouter, Navigate } from 'react-router'
import { PageError } from '../parts/safe-part/index.ts'
import { Shell } from './shell/index.ts'

/** Every screen is loaded when it is first opened. */
export const router = createBrowserRouter([
  { path: '/sign-in', lazy: async () => ({ Component: (await import('../features/sign-in/index.ts')).SignIn }) },
  {
    path: '/welcome/:token',
    lazy: async () => ({ Component: (await import('../features/welcome/index.ts')).Welcome }),
  },
  {
    path: '/quote/:token',
    lazy: async () => ({ Component: (await import('../features/quote/index.ts')).AnswerScreen }),
  },
  {
    element: <Shell />,
    children: [
      {
        ErrorBoundary: PageError,
        children: [
          { index: true, element: <Navigate to="/machines" replace /> },
          {
            path: 'machines',
            lazy: async () => ({ Component: (await import('../features/machine-list/index.ts')).MachineList }),
          },
          {
            path: 'machines/new',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).NewMachine }),
          },
          {
            path: 'machines/:id',
            lazy: async () => ({ Component: (await import('../features/machine/index.ts')).MachineScreen }),
          },
          { path: 'jobs', lazy: async () => ({ Component: (await import('../features/job/index.ts')).JobsScreen }) },
          {
            path: 'reports',
            lazy: async () => ({ Component: (await import('../features/reports/index.ts')).ReportsScreen }),
          },
          {
            path: 'account',
            lazy: async () => ({ Component: (await import('../features/account/index.ts')).AccountScreen }),
          },
          {
            path: 'stock',
            lazy: async () => ({ Component: (await import('../features/stock/index.ts')).StockScreen }),
          },
          {
            path: 'stock/labels',
            lazy: async () => ({ Component: (await import('../features/stock/index.ts')).LabelsScreen }),
          },
          {
            path: 'stock/:id',
            lazy: async () => ({ Component: (await import('../features/stock/index.ts')).ItemScreen }),
          },
          {
            path: 's/:code',
            lazy: async () => ({ Component: (await import('../features/stock/index.ts')).ScannedItem }),
          },
          {
            path: 'machines/:id/jobs/new',
            lazy: async () => ({ Component: (await import('../features/job/index.ts')).NewJob }),
          },
          {
            path: 'machines/:id/jobs/:jobId',
            lazy: async () => ({ Component: (await import('../features/job/index.ts')).JobScreen }),
          },
          {
            path: 'machines/:id/trace',
            lazy: async () => ({ Component: (await import('../features/trace/index.ts')).StartTrace }),
          },
          {
            path: 'machines/:id/trace/:traceId',
            lazy: async () => ({ Component: (await import('../features/trace/index.ts')).TraceScreen }),
          },
          {
            path: 'machines/:id/edit',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).EditMachine }),
          },
          {
            path: 'machines/:id/motor',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).InstallMotor }),
          },
          {
            path: 'machines/:id/drive',
            lazy: async () => ({ Component: (await import('../features/drive-train/index.ts')).DriveTrainScreen }),
          },
          {
            path: 'machines/:id/wiring',
            lazy: async () => ({ Component: (await import('../features/wiring/index.ts')).WiringScreen }),
          },
          {
            path: 'machines/:id/vfd',
            lazy: async () => ({ Component: (await import('../features/vfd/index.ts')).VfdScreen }),
          },
          {
            path: 'machines/:id/vfd/sheet',
            lazy: async () => ({ Component: (await import('../features/vfd/index.ts')).CommissioningScreen }),
          },
          {
            path: 'machines/:id/live',
            lazy: async () => ({ Component: (await import('../features/live/index.ts')).LiveScreen }),
          },
          {
            path: 'live',
            lazy: async () => ({ Component: (await import('../features/live/index.ts')).SourcesScreen }),
          },
          {
            path: 'areas/:id/air',
            lazy: async () => ({ Component: (await import('../features/area-air/index.ts')).AreaAirScreen }),
          },
          {
            path: 'areas/:id/map',
            lazy: async () => ({ Component: (await import('../features/roof-map/index.ts')).RoofMapScreen }),
          },
          {
            path: 'rounds',
            lazy: async () => ({ Component: (await import('../features/round/rounds-screen.tsx')).RoundsScreen }),
          },
          {
            path: 'rounds/new',
            lazy: async () => ({ Component: (await import('../features/round/new-round.tsx')).NewRound }),
          },
          {
            path: 'rounds/:id',
            lazy: async () => ({ Component: (await import('../features/round/round-screen.tsx')).RoundScreen }),
          },
          {
            path: 'rounds/:id/prepare',
            lazy: async () => ({ Component: (await import('../features/round/prepare-screen.tsx')).PrepareScreen }),
          },
          { path: 'tags', lazy: async () => ({ Component: (await import('../features/tags/index.ts')).TagsScreen }) },
          {
            path: 'phone',
            lazy: async () => ({ Component: (await import('../features/phone/index.ts')).PhoneScreen }),
          },
          { path: 'places', lazy: async () => ({ Component: (await import('../features/register/index.ts')).Places }) },
          {
            path: 'calculators',
            lazy: async () => ({ Component: (await import('../features/calculators/index.ts')).Calculators }),
          },
          {
            path: 'speed-change',
            lazy: async () => ({ Component: (await import('../features/speed-change/index.ts')).SpeedChangeScreen }),
          },
          {
            path: 'calculators/:id',
            lazy: async () => ({ Component: (await import('../features/calculators/index.ts')).CalculatorScreen }),
          },
          {
            path: 'import-export',
            lazy: async () => ({ Component: (await import('../features/import-export/index.ts')).ImportExport }),
          },
          {
            path: 'limits',
            lazy: async () => ({ Component: (await import('../features/limits/index.ts')).LimitsScreen }),
          },
          {
            path: 'start',
            lazy: async () => ({ Component: (await import('../features/first-run/index.ts')).FirstRun }),
          },
          { path: 'keys', lazy: async () => ({ Component: (await import('../features/keys/index.ts')).Keys }) },
          { path: 'm/*', lazy: async () => ({ Component: (await import('../features/finder/index.ts')).ScannedTag }) },
          { path: '*', lazy: async () => ({ Component: (await import('../features/finder/index.ts')).NoSuchPage }) },
        ],
      },
    ],
  },
  {
    element: <Shell bare />,
    ErrorBoundary: PageError,
    children: [
      {
        path: 'machines/:id/visit',
        lazy: async () => ({ Component: (await import('../features/visit/index.ts')).VisitScreen }),
      },
      {
        path: 'rounds/:id/walk',
        lazy: async () => ({ Component: (await import('../features/round/walk-screen.tsx')).WalkScreen }),
      },
    ],
  },
])
