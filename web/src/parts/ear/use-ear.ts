import { useEffect, useRef } from 'react'
import { openEar, type Ear } from './ear.ts'

/** The microphone of a part of the page: open from when it is asked for until it is let go of, or until the part is gone. */
export function useEar() {
  const ear = useRef<Ear | null>(null)
  const gone = useRef(false)
  const close = () => {
    ear.current?.close()
    ear.current = null
  }
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
      close()
    }
  }, [])
  return {
    /**
     * @param hear told the sound as it comes, until it is closed
     * @returns samples a second; null: the part is gone meanwhile @throws what the browser throws
     */
    open: async (hear: (block: Float32Array) => void): Promise<number | null> => {
      const opened = await openEar((block) => {
        if (ear.current !== null) hear(block)
      })
      if (gone.current) {
        opened.close()
        return null
      }
      ear.current = opened
      return opened.rate
    },
    close,
  }
}
