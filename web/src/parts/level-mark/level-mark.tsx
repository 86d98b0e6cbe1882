import type { Level } from '@motor-round/core/judge'
import './level-mark.css'

export const levelWords: Record<Level | 'not judged', string> = {
  ok: 'OK',
  watch: 'Watch',
  fix: 'Fix',
  stop: 'Stop',
  'not judged': 'Not judged',
}

function Shape({ level }: { level: Level | 'not judged' }) {
  if (level === 'stop')
    return <polygon points="4.7,0 11.3,0 16,4.7 16,11.3 11.3,16 4.7,16 0,11.3 0,4.7" fill="currentColor" />
  if (level === 'fix') return <rect x="1" y="1" width="14" height="14" fill="currentColor" />
  if (level === 'not judged')
    return (
      <circle cx="8" cy="8" r="6.4" fill="none" stroke="currentColor" strokeWidth="2.4" strokeDasharray="3.4 3.3" />
    )
  return (
    <>
      <circle cx="8" cy="8" r="6.4" fill="none" stroke="currentColor" strokeWidth="2.4" />
      {level === 'watch' ? <path d="M8 1.6 A6.4 6.4 0 0 1 8 14.4 Z" fill="currentColor" /> : null}
    </>
  )
}

/** A level as word, shape and color; only `visit` fills its cell. */
export function LevelMark({
  level,
  word,
  filled = false,
}: {
  level: Level | 'not judged'
  word?: string
  filled?: boolean
}) {
  return (
    <span className={`level tone-${level.replace(' ', '-')}${filled && level === 'stop' ? ' level-filled' : ''}`}>
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <Shape level={level} />
      </svg>
      {word ?? levelWords[level]}
    </span>
  )
}
