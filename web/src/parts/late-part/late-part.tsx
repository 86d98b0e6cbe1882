import { Button } from 'antd'
import { lazy, useEffect, useState, type ComponentType, type LazyExoticComponent } from 'react'

type Load<P> = () => Promise<ComponentType<P>>

/**
 * What stands in the place of something that could not be loaded. A browser that asked for it once without a signal does not ask again
 * before the page is loaded anew: a whole page does that by itself when the signal is back, a part is left to the person.
 */
function late<P extends object>(what: string, load: Load<P>, whole: boolean): ComponentType<P> {
  return function Late(props: P) {
    const [found, setFound] = useState<{ readonly Part: ComponentType<P> } | null>(null)
    const [signal, setSignal] = useState(navigator.onLine)
    useEffect(() => {
      const back = () =>
        void load().then(
          (Part) => setFound({ Part }),
          () => {
            if (whole) window.location.reload()
            setSignal(true)
          },
        )
      const lost = () => setSignal(false)
      window.addEventListener('online', back)
      window.addEventListener('offline', lost)
      return () => {
        window.removeEventListener('online', back)
        window.removeEventListener('offline', lost)
      }
    }, [])
    if (found) return <found.Part {...props} />
    return (
      <section className="sheet stack" role="alert">
        <p>
          <b>{what} was not loaded.</b>{' '}
          {signal
            ? 'Reload the page to open it.'
            : `There was no signal when it was asked for. ${whole ? 'It opens by itself when there is signal.' : 'Reload the page when there is signal.'}`}
        </p>
        {signal ? (
          <div>
            <Button onClick={() => window.location.reload()}>Reload</Button>
          </div>
        ) : null}
      </section>
    )
  }
}

/** A screen that is loaded when it is first opened. It never fails: see `late`. */
export const screenOf = <P extends object>(what: string, load: Load<P>): Promise<ComponentType<P>> =>
  load().catch(() => late(what, load, true))

/**
 * A part of a page that is loaded when it is first shown. Without a signal it says so in its place, and the page around it stays.
 * @param what is missing then: "The chart"
 */
export const lazyPart = <P extends object>(what: string, load: Load<P>): LazyExoticComponent<ComponentType<P>> =>
  lazy(async () => ({ default: await load().catch(() => late(what, load, false)) }))
