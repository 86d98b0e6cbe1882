import '@fontsource/barlow/latin-500.css'
import '@fontsource/barlow/latin-600.css'
import '@fontsource/barlow-condensed/latin-600.css'
import '@fontsource/barlow-condensed/latin-700.css'
import './app/styles/tokens.css'
import './app/styles/base.css'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { RouterProvider } from 'react-router/dom'
import { router } from './app/router.tsx'
import { store } from './app/store.ts'
import { Themed } from './app/themed.tsx'

const root = document.getElementById('root')
if (!root) throw new Error('the page has no root')
createRoot(root).render(
  <Provider store={store}>
    <Themed>
      <RouterProvider router={router} />
    </Themed>
  </Provider>,
)
