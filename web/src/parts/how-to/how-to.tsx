import { Button } from 'antd'
import { memo, Suspense, useState } from 'react'
import { lazyPart } from '../late-part/index.ts'

// The lines are read when somebody asks for them; until then they are no part of the page.
const Lines = lazyPart('The how-to', async () => (await import('./how-to-lines.tsx')).HowToLines)
/** To be loaded while there is signal. */
export const loadHowTo = () => import('./how-to-lines.tsx')

/** How a check or a calculator is done, in four lines, and why its limits are what they are. */
export const HowToButton = memo(function HowToButton({
  of,
  id,
  title,
}: {
  of: 'check' | 'calculator'
  id: string
  title: string
}) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button className="how-to-button" aria-label={`How to: ${title}`} onClick={() => setOpen(true)}>
        How to
      </Button>
      {open ? (
        <Suspense fallback={null}>
          <Lines of={of} id={id} title={title} close={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  )
})
