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
    element: <Shell />,
    children: [
      {
        ErrorBoundary: PageError,
        children: [
          { index: true, element: <Navigate to="/roof" replace /> },
          { path: 'roof', lazy: async () => ({ Component: (await import('../features/roof/index.ts')).Roof }) },
          {
            path: 'machines/new',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).NewMachine }),
          },
          {
            path: 'machines/:id',
            lazy: async () => ({ Component: (await import('../features/machine/index.ts')).MachineScreen }),
          },
          {
            path: 'machines/:id/edit',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).EditMachine }),
          },
          {
            path: 'machines/:id/motor',
            lazy: async () => ({ Component: (await import('../features/register/index.ts')).FitMotor }),
          },
          {
            path: 'machines/:id/drive',
            lazy: async () => ({ Component: (await import('../features/drive-train/index.ts')).DriveTrainScreen }),
          },
          {
            path: 'areas/:id/air',
            lazy: async () => ({ Component: (await import('../features/area-air/index.ts')).AreaAirScreen }),
          },
          {
            path: 'areas/:id/plan',
            lazy: async () => ({ Component: (await import('../features/roof-plan/index.ts')).RoofPlanScreen }),
          },
          {
            path: 'round',
            lazy: async () => ({ Component: (await import('../features/round/rounds-screen.tsx')).RoundsScreen }),
          },
          {
            path: 'round/new',
            lazy: async () => ({ Component: (await import('../features/round/new-round.tsx')).NewRound }),
          },
          {
            path: 'round/:id',
            lazy: async () => ({ Component: (await import('../features/round/round-screen.tsx')).RoundScreen }),
          },
          {
            path: 'round/:id/prepare',
            lazy: async () => ({ Component: (await import('../features/round/prepare-screen.tsx')).PrepareScreen }),
          },
          { path: 'tags', lazy: async () => ({ Component: (await import('../features/tags/index.ts')).TagsScreen }) },
          {
            path: 'phone',
            lazy: async () => ({ Component: (await import('../features/phone/index.ts')).PhoneScreen }),
          },
          { path: 'places', lazy: async () => ({ Component: (await import('../features/register/index.ts')).Places }) },
          { path: 'bench', lazy: async () => ({ Component: (await import('../features/bench/index.ts')).Bench }) },
          {
            path: 'bench/speed',
            lazy: async () => ({ Component: (await import('../features/speed-bench/index.ts')).SpeedBenchScreen }),
          },
          {
            path: 'bench/:id',
            lazy: async () => ({ Component: (await import('../features/bench/index.ts')).CalculatorScreen }),
          },
          { path: 'books', lazy: async () => ({ Component: (await import('../features/books/index.ts')).Books }) },
          {
            path: 'house-rules',
            lazy: async () => ({ Component: (await import('../features/house-rules/index.ts')).HouseRulesScreen }),
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
        path: 'machines/:id/stop',
        lazy: async () => ({ Component: (await import('../features/stop/index.ts')).StopScreen }),
      },
      {
        path: 'round/:id/walk',
        lazy: async () => ({ Component: (await import('../features/round/walk-screen.tsx')).WalkScreen }),
      },
    ],
  },
])
