import type { Role } from '@motor-round/contract'
import { defaultPolicies } from '@motor-round/core/limits'
import { render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { api } from '../app/api.ts'
import { store } from '../app/store.ts'

/** A part in a browser-like page, by someone who is signed in with that role, under the policies as shipped. */
export async function showAs(role: Role, node: ReactNode, { path = '/', at = '/' } = {}) {
  store.dispatch(api.util.resetApiState())
  await store.dispatch(
    api.util.upsertQueryData(
      'session',
      {},
      {
        person: {
          id: '00000000-0000-7000-8000-000000000009',
          login: 'okonjo',
          name: 'Mosi Okonjo',
          role,
          disabledAt: null,
        },
        csrf: 'token',
        organization: 'Quillback',
        now: '2026-11-25T09:00:00Z',
      },
    ),
  )
  await store.dispatch(
    api.util.upsertQueryData(
      'policies',
      {},
      { policies: { ...defaultPolicies }, version: 1, changedBy: null, changedAt: null },
    ),
  )
  const router = createMemoryRouter(
    [
      { path, element: node },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: [at] },
  )
  const view = render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  )
  return { ...view, user: userEvent.setup({ delay: null }), router }
}
