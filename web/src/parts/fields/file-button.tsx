import { Button } from 'antd'
import { useRef } from 'react'

/** A button that asks for a file, and asks again for the same one. */
export function FileButton({
  words,
  label = words,
  accept,
  onFile,
}: {
  words: string
  /** Said of it by itself, where the words on it are not enough. */
  label?: string
  accept: string
  onFile: (file: File) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button onClick={() => input.current?.click()}>{words}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        className="visually-hidden"
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
    </>
  )
}
