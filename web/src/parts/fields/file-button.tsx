/** A button that asks for a file, and asks again for the same one. */
export function FileButton({
  words,
  label,
  accept,
  onFile,
}: {
  words: string
  /** Said of it by itself, where the words on it are not enough. */
  label?: string
  accept: string
  onFile: (file: File) => void
}) {
  return (
    <label className="file-button">
      {words}
      <input
        type="file"
        accept={accept}
        aria-label={label}
        className="visually-hidden"
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
    </label>
  )
}
