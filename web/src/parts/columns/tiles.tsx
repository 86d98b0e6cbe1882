import type { CSSProperties, ReactNode } from 'react'

/** Things of one width beside each other, as many as there is room for. @param of their least width, px */
export function Tiles({ of, children }: { of: number; children: ReactNode }) {
  return (
    <div className="form-grid" style={{ '--tile': `${of}px` } as CSSProperties}>
      {children}
    </div>
  )
}
