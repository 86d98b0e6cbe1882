import { createBrowserRouter, Navigate } from 'react-router'
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
      { path: 'places', lazy: async () => ({ Component: (await import('../features/register/index.ts')).Places }) },
      { path: 'bench', lazy: async () => ({ Component: (await import('../features/bench/index.ts')).Bench }) },
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
  {
    element: <Shell bare />,
    children: [
      {
        path: 'machines/:id/stop',
        lazy: async () => ({ Component: (await import('../features/stop/index.ts')).StopScreen }),
      },
    ],
  },
])
